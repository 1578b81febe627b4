import type { Species, Tissue } from '#core/anatomy'
import { sumOf, type CutUpAs } from './compare.ts'

/** A part of a middle animal: % of carcass, its lean/fat/bone/skin in %, and how much of its fat lies in seams, %. */
interface PartRow {
  parts: string[]
  share: number
  of: string
  seam: number
}

/**
 * Parts of a middle animal as they are sawn, our own working figures, from memory (docs/sources.md: part-table). The
 * cells are written to them: they are no check of the cells.
 */
export const PARTS: Partial<Record<Species, PartRow[]>> = {
  steer: [
    { parts: ['chuck'], share: 28.5, of: '62/22/15', seam: 70 },
    { parts: ['foreshank'], share: 3.4, of: '52/11/36', seam: 60 },
    { parts: ['brisket'], share: 4.8, of: '48/37/14', seam: 55 },
    { parts: ['plate', 'skirts'], share: 6.5, of: '48/39/12', seam: 60 },
    { parts: ['rib'], share: 9.3, of: '53/29/17', seam: 65 },
    { parts: ['short-loin', 'short-loin-rear'], share: 7.2, of: '55/28/16', seam: 45 },
    { parts: ['sirloin', 'tenderloin'], share: 9.2, of: '62/25/12', seam: 45 },
    { parts: ['flank'], share: 4, of: '46/53/0', seam: 35 },
    { parts: ['round', 'hind-shank'], share: 23.5, of: '66/16/17', seam: 38 },
    { parts: ['suet', 'hanger'], share: 3.4, of: '11/88/0', seam: 1 },
  ],
  hog: [
    { parts: ['leg', 'hind-hock'], share: 25.5, of: '65/19/10/5.5', seam: 30 },
    { parts: ['loin', 'rib-end', 'sirloin', 'tenderloin'], share: 25, of: '52/32/11.5/4', seam: 18 },
    { parts: ['belly', 'spare-ribs'], share: 19, of: '52/34/8/5.5', seam: 35 },
    { parts: ['shoulder', 'fore-hock'], share: 23, of: '60/24/10.8/4.8', seam: 40 },
    { parts: ['jowl'], share: 2.6, of: '33/55/0/11.5', seam: 20 },
    { parts: ['fore-foot', 'hind-foot', 'tail'], share: 3, of: '9/15/50/25.5', seam: 0 },
    { parts: ['leaf-fat'], share: 1.9, of: '2/97/0/0', seam: 0 },
  ],
  lamb: [
    { parts: ['leg'], share: 33, of: '64/16/19', seam: 40 },
    { parts: ['shoulder', 'neck'], share: 28, of: '59/22/18', seam: 60 },
    { parts: ['rack'], share: 10, of: '51/28/20', seam: 40 },
    { parts: ['loin', 'tenderloin'], share: 11, of: '58/28/13', seam: 25 },
    { parts: ['breast'], share: 11, of: '50/35/14', seam: 55 },
    { parts: ['foreshank'], share: 4, of: '54/13/32', seam: 60 },
    { parts: ['kidneys', 'kidney-fat'], share: 3, of: '18/81/0', seam: 0 },
  ],
}

/** % of carcass that each part holds of lean, of fat in all and in seams, of bone, of skin: meant by the table. */
export const partsMeant = (species: Species): number[] =>
  (PARTS[species] ?? []).flatMap(({ share, of, seam }) => {
    const [lean = 0, fat = 0, bone = 0, skin = 0] = of.split('/').map(Number)
    const all = lean + fat + bone + skin
    return [lean, fat, (fat * seam) / 100, bone, skin].map((x) => (share * x) / all)
  })

/** The same as a carcass that was cut holds it. */
export const partsFound = (species: Species, { cutting, carcassKg }: CutUpAs): number[] =>
  (PARTS[species] ?? []).flatMap(({ parts }) => {
    const found = (tissue: Tissue) => (sumOf(cutting, { parts, tissue }) / carcassKg) * 100
    return [found('lean'), found('fat') + found('seam'), found('seam'), found('bone'), found('skin')]
  })
