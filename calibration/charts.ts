import { type Anatomy, type Tissue, type TrimLevel } from '#core/anatomy'
import { ANATOMIES } from '#core/species'
import { KG_PER_LB } from '#core/measure'

/** Kg of what `parts` hold, of what of them goes `to` these cuts or parts, or of all but what goes to `less`; `also` adds; of one tissue. */
export interface Sum {
  parts: string[]
  to?: string[]
  less?: string[]
  also?: Sum[]
  tissue?: Tissue
}

export interface ChartLine {
  name: string
  lb: number
  is: 'primal' | 'product' | 'other'
  of: Sum
}

/** A published cutting chart, and the plan that cuts the same way. */
export interface Chart {
  id: 'hog' | 'steer'
  source: string
  anatomy: Anatomy
  carcassKg: number
  trim: TrimLevel
  conventions: Record<string, boolean>
  lines: Record<string, string>
  mm: Record<string, number>
  left: Record<string, string>
  right: Record<string, string>
  rows: ChartLine[]
  /** Products that a stricter reading leaves out of the saleable total. */
  apart: string[]
}

const OFF = ['back-fat', 'skin']
const hogWays = {
  leg: 'leg-ham-boneless',
  'hind-hock': 'hind-hock-boned',
  'rib-end': 'rib-end-ribs',
  loin: 'loin-roasts',
  sirloin: 'sirloin-roast',
  shoulder: 'shoulder-parted',
  butt: 'butt-half',
  picnic: 'picnic-grind',
  'fore-hock': 'fore-hock-boned',
  'neck-bones': 'neck-bones-sold',
  jowl: 'jowl-fresh',
}

/**
 * Consumer chart of a 250 lb hog by the national pork promotion body (United States), from memory; its primals are
 * trimmed: skin, back fat, jowl, feet and neck bones stand in its miscellaneous line.
 */
const hog: Chart = {
  id: 'hog',
  source: 'national pork promotion body, consumer chart of a 250 lb hog (184 lb carcass), from memory',
  anatomy: ANATOMIES.hog,
  carcassKg: 184 * KG_PER_LB,
  trim: 'standard',
  conventions: { leaf: false },
  lines: { 'rib-end-line': '+5', 'sirloin-line': 'off' },
  mm: {},
  left: hogWays,
  right: hogWays,
  rows: [
    { name: 'Ham', lb: 45.0, is: 'primal', of: { parts: ['leg', 'hind-hock'] } },
    { name: 'Side', lb: 34.9, is: 'primal', of: { parts: ['belly', 'spare-ribs'], less: OFF } },
    { name: 'Loin', lb: 33.8, is: 'primal', of: { parts: ['loin', 'rib-end', 'sirloin', 'tenderloin'], less: OFF } },
    { name: 'Picnic', lb: 16.6, is: 'primal', of: { parts: ['picnic', 'fore-hock'] } },
    { name: 'Boston butt', lb: 14.7, is: 'primal', of: { parts: ['butt'], less: OFF } },
    { name: 'Cured and fresh ham', lb: 27.8, is: 'product', of: { parts: ['leg'], to: ['ham-boneless'] } },
    { name: 'Ham trimmings', lb: 5.8, is: 'product', of: { parts: ['leg', 'hind-hock'], to: ['trim'] } },
    { name: 'Bacon', lb: 19.0, is: 'product', of: { parts: ['belly'], to: ['bacon'] } },
    { name: 'Spare ribs', lb: 5.8, is: 'product', of: { parts: ['spare-ribs'], to: ['spare-ribs'] } },
    { name: 'Side trimmings', lb: 9.1, is: 'product', of: { parts: ['belly', 'spare-ribs'], to: ['trim'] } },
    { name: 'Boneless loin', lb: 10.7, is: 'product', of: { parts: ['loin'], to: ['loin-roast'] } },
    { name: 'Back ribs', lb: 3.2, is: 'product', of: { parts: ['loin'], to: ['back-ribs'] } },
    { name: 'Country-style ribs', lb: 7.6, is: 'product', of: { parts: ['rib-end'], to: ['country-ribs'] } },
    { name: 'Sirloin roast', lb: 5.7, is: 'product', of: { parts: ['sirloin'], to: ['sirloin-roast'] } },
    { name: 'Tenderloin', lb: 1.6, is: 'product', of: { parts: ['tenderloin'], to: ['tenderloin'] } },
    { name: 'Loin trimmings', lb: 1.6, is: 'product', of: { parts: ['loin', 'rib-end', 'sirloin', 'tenderloin'], to: ['trim'] } },
    { name: 'Picnic, boneless meat', lb: 12.6, is: 'product', of: { parts: ['picnic', 'fore-hock'], to: ['trim'] } },
    { name: 'Blade roast', lb: 7.8, is: 'product', of: { parts: ['butt'], to: ['butt-roast'] } },
    { name: 'Blade steaks', lb: 4.4, is: 'product', of: { parts: ['butt'], to: ['blade-steak'] } },
    { name: 'Butt trimmings', lb: 1.7, is: 'product', of: { parts: ['butt'], to: ['trim'] } },
    {
      name: 'Jowls, feet, tail, neck bones',
      lb: 15.4,
      is: 'product',
      of: { parts: ['jowl', 'fore-foot', 'hind-foot', 'tail', 'neck-bones'], to: ['jowl-fresh', 'trotter', 'tail', 'neck-bones'] },
    },
  ],
  apart: ['Jowls, feet, tail, neck bones'],
}

const steerWays = {
  brisket: 'brisket-whole',
  plate: 'plate-grind',
  flank: 'flank-steak',
  foreshank: 'foreshank-grind',
  'hind-shank': 'hind-shank-grind',
  'chuck-ribs': 'chuck-ribs-grind',
  sirloin: 'sirloin-steaks',
  round: 'round-seamed',
}
const CHUCK = ['chuck', 'chuck-ribs', 'neck-bones']
const THIN = ['plate', 'flank', 'brisket', 'foreshank', 'skirts']
const LOIN = ['short-loin', 'short-loin-rear', 'sirloin', 'tenderloin']
const ROUND = ['round', 'top-round', 'bottom-round', 'eye-round', 'knuckle', 'rump', 'hind-shank']

/**
 * Consumer chart of a 1,150 lb steer by the national cattlemen's body (United States), from memory. Its sides are cut
 * differently: bone-in left, boneless right; trim generous, mince fatty.
 */
const steer: Chart = {
  id: 'steer',
  source: 'national cattlemen’s body, consumer chart of a 1,150 lb steer (715 lb carcass), from memory',
  anatomy: ANATOMIES.steer,
  carcassKg: 715 * KG_PER_LB,
  trim: 'generous',
  conventions: {},
  lines: {},
  mm: { 'plate-line': 140 },
  left: { ...steerWays, chuck: 'chuck-blade-roasts', rib: 'rib-roast', 'short-loin': 'loin-tbone' },
  right: { ...steerWays, chuck: 'chuck-blade-steaks', rib: 'rib-half', 'short-loin': 'loin-strip' },
  rows: [
    { name: 'Chuck', lb: 209.5, is: 'primal', of: { parts: ['chuck'] } },
    { name: 'Thin cuts', lb: 134.6, is: 'primal', of: { parts: THIN } },
    { name: 'Loin', lb: 115.7, is: 'primal', of: { parts: LOIN } },
    { name: 'Round', lb: 155.8, is: 'primal', of: { parts: ['round', 'hind-shank'] } },
    { name: 'Rib', lb: 66.6, is: 'primal', of: { parts: ['rib'] } },
    { name: 'Blade roasts and steaks', lb: 33.9, is: 'product', of: { parts: ['chuck'], to: ['blade-roast', 'blade-steak'] } },
    { name: 'Chuck, ground and stew', lb: 83.3, is: 'product', of: { parts: CHUCK, to: ['trim'] } },
    { name: 'Arm pot roast and steaks', lb: 35.5, is: 'product', of: { parts: ['chuck'], to: ['arm-roast'] } },
    { name: 'Cross-rib pot roast', lb: 25.4, is: 'product', of: { parts: ['chuck'], to: ['cross-rib'] } },
    { name: 'Flank steak', lb: 3.6, is: 'product', of: { parts: ['flank'], to: ['flank-steak'] } },
    { name: 'Brisket and pastrami squares', lb: 18.9, is: 'product', of: { parts: ['brisket'], to: ['brisket'] } },
    { name: 'Skirts', lb: 4.7, is: 'product', of: { parts: ['skirts'], to: ['skirt-inside', 'skirt-outside'] } },
    { name: 'Thin cuts, ground and stew', lb: 87.3, is: 'product', of: { parts: THIN, to: ['trim'] } },
    { name: 'Porterhouse and T-bone', lb: 29.4, is: 'product', of: { parts: ['short-loin'], to: ['tbone'] } },
    { name: 'Strip', lb: 15.0, is: 'product', of: { parts: ['short-loin'], to: ['strip'] } },
    { name: 'Sirloin', lb: 15.3, is: 'product', of: { parts: ['sirloin'], to: ['top-sirloin'] } },
    { name: 'Tenderloin', lb: 6.8, is: 'product', of: { parts: ['tenderloin'], to: ['tenderloin'] } },
    { name: 'Loin, ground and stew', lb: 22.7, is: 'product', of: { parts: LOIN, to: ['trim', 'tri-tip', 'ball-tip', 'flap'] } },
    { name: 'Top round', lb: 34.6, is: 'product', of: { parts: ['top-round'], to: ['top-roast'] } },
    { name: 'Bottom and eye', lb: 31.2, is: 'product', of: { parts: ['bottom-round', 'eye-round'], to: ['bottom-roast', 'eye-roast'] } },
    { name: 'Tip', lb: 16.8, is: 'product', of: { parts: ['knuckle'], to: ['tip-roast'] } },
    { name: 'Rump', lb: 7.8, is: 'product', of: { parts: ['rump'], to: ['rump-roast'] } },
    { name: 'Round, ground', lb: 33.4, is: 'product', of: { parts: ROUND, to: ['trim', 'hip-oyster'] } },
    { name: 'Rib roast', lb: 23.9, is: 'product', of: { parts: ['rib'], to: ['rib-roast'] } },
    { name: 'Rib steak', lb: 9.2, is: 'product', of: { parts: ['rib'], to: ['rib-steak'] } },
    { name: 'Short ribs', lb: 8.6, is: 'product', of: { parts: ['rib'], to: ['short-rib-pieces'] } },
    { name: 'Rib, ground and stew', lb: 16.5, is: 'product', of: { parts: ['rib'], to: ['trim'] } },
    { name: 'Kidney and hanging tender', lb: 4.9, is: 'product', of: { parts: ['hanger'], to: ['hanger', 'trim'] } },
  ],
  apart: [],
}

export const CHARTS: Chart[] = [hog, steer]
