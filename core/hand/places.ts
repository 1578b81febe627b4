import type { AnimalClass } from '#core/records'

/** Where a hand finds its way on a part: landmarks in the order they are met (common practice). */
export interface Place {
  /** How it lies on the board. */
  lies: string
  /** What is felt for first. */
  find: string
  /** Bones that come out, each with where its ends are felt; in the order they are taken. */
  bones?: readonly string[]
  /** The joint, or seam, that frees it from what it is opened out of. */
  from: string
  gland?: string
  /** A rind or skin that may come off. */
  rind?: string
  /** Ribs, and the backbone they end at. */
  ribs?: string
  /** The cord runs through it. */
  cord?: string
  tendon?: string
  membrane?: string
}

const muscle = (lies: string, find: string, from: string, more: Partial<Place> = {}): Place => ({
  ...{ lies, find, from },
  ...more,
})
const LEG_BONES = [
  'the aitch bone, its rim under your thumb on the inside',
  'the thigh bone, from its ball in the hip to the knee',
  'the kneecap, which slides under the finger ahead of the knee',
  'the shank bone, from the knee to the hock',
]
const BLADE = 'the blade, flat side down, its ridge under the finger on top'
const ARM = 'the upper arm, from the point of the shoulder to the elbow'
const FOREARM = 'the fore-arm and its elbow knob'
const BACK_RIND = 'at the corner nearest the backbone'

/** Places by part; of one class of animals where it is built otherwise. */
const PLACES: Readonly<Record<string, Place>> = {
  // Hind leg and what comes out of it.
  leg: muscle(
    'inside up, aitch bone towards you',
    'the aitch bone: a hard rim that does not move when the shank does',
    'the hip: swing the leg and feel the ball turn',
    {
      bones: LEG_BONES,
      gland: 'in the fat between the eye of the outside and the inside, a hand above the knee',
      rind: 'at the shank end',
    },
  ),
  'leg-topside': muscle(
    'fat side down',
    'the grain: long fibres towards the knee',
    'the white seam from the aitch bone to the knee, inside of the thigh bone',
  ),
  'leg-silverside': muscle(
    'silver side down',
    'the thick skin along its outer edge',
    'the seam behind the thigh bone, down to the heel',
  ),
  'leg-knuckle': muscle(
    'on its round side',
    'the kneecap end, blunt and white',
    'along the front of the thigh bone, from the kneecap up',
  ),
  round: muscle(
    'inside up, shank away from you',
    'the aitch bone, and ahead of it the knuckle',
    'the line ahead of the aitch bone',
    {
      bones: LEG_BONES,
      gland: 'in the fat between bottom and eye of the round, above the heel',
    },
  ),
  knuckle: muscle(
    'on its round side',
    'the kneecap end, blunt and white',
    'along the front of the thigh bone, from the kneecap up',
  ),
  'top-round': muscle(
    'fat side down',
    'the grain: long fibres towards the knee',
    'the seam on the inside of the thigh bone',
  ),
  'bottom-round': muscle(
    'silver side down',
    'the thick silver skin on its outer side',
    'the seam between it and the heel',
  ),
  'eye-round': muscle(
    'along the board',
    'its two blunt ends: it is a roll by itself',
    'the seam round it, opened with two fingers',
  ),
  rump: muscle('fat side down', 'the edge where the aitch bone lay', 'square behind the aitch bone'),
  'hind-shank': muscle('along the board', 'the stifle end, thick, and the hock, thin', 'the stifle joint', {
    bones: ['the shank bone, from knob to knob'],
    tendon: 'the hook tendon, at the hock',
  }),
  'hind-hock': muscle('along the board', 'the knuckle at each end', 'the joint below the ham', {
    bones: ['both shank bones, from knob to knob'],
    tendon: 'at the heel',
  }),
  'hind-foot': muscle('sole down', 'the joint: bend it and see it open', 'the joint above the dew claws'),
  'fore-hock': muscle('along the board', 'the elbow end and the knee end', 'the elbow joint', {
    bones: ['both fore-arm bones, from elbow to knee'],
    tendon: 'behind the knee',
  }),
  'fore-foot': muscle('sole down', 'the knee joint: bend it and see it open', 'the knee joint'),
  // Back.
  loin: muscle(
    'chine towards you, ribs up',
    'the chine, the ribs up to the last, and the eye behind them',
    'the lines of shoulder and leg',
    {
      bones: [
        'the chine and its spines, from the tips down to the body of the bone',
        'the side spines of the lumbar bones, flat under the eye',
      ],
      ribs: 'where the ribs meet the chine',
      rind: BACK_RIND,
      cord: 'in the channel of the chine',
    },
  ),
  sirloin: muscle(
    'cut face up, hip towards you',
    'the hip bone, its hook and its long flat',
    'the line at the last lumbar joint',
    {
      bones: ['the hip bone, from its hook along the flat'],
      rind: BACK_RIND,
    },
  ),
  'rib-end': muscle(
    'cut face up',
    'the tip of the blade gristle over the eye',
    'the line behind the shoulder',
    {
      bones: ['the chine and its ribs'],
      ribs: 'where the ribs meet the chine',
      rind: BACK_RIND,
    },
  ),
  rack: muscle(
    'ribs down, chine away from you',
    'ribs from the last forward, and the blade tip over the first',
    'the lines behind the shoulder and behind the last rib taken',
    {
      bones: ['the ribs and the chine'],
      ribs: 'where the ribs meet the chine',
      membrane: 'over the ribs',
    },
  ),
  tenderloin: muscle(
    'silver skin up, head towards you',
    'the head, thick, and the chain along its side',
    'the underside of the lumbar bones, from its butt end forward',
  ),
  'short-loin': muscle(
    'chine towards you, flank away',
    'the chine, the T of each lumbar bone, the tenderloin under it',
    'the last rib and the last lumbar joint but one',
    {
      bones: ['the chine and the fingers of the lumbar bones, flat under the strip'],
      ribs: 'along the chine',
    },
  ),
  'short-loin-rear': muscle('chine towards you', 'the T of each lumbar bone behind the split', 'the split', {
    bones: ['the chine and the fingers of the lumbar bones behind the split'],
    ribs: 'along the chine, behind the split',
  }),
  rib: muscle(
    'chine away from you, ribs down',
    'the ribs, counted from the last, and the yellow backstrap',
    'the lines at the fifth and the last rib',
    {
      bones: ['the ribs and the chine, in one'],
      ribs: 'where the ribs meet the chine',
      tendon: 'the backstrap, yellow, along the top of the spines',
    },
  ),
  // Belly side.
  belly: muscle(
    'rind down, ribs up',
    'the row of cartilage and the thin flank end',
    'the long line below the eye',
    {
      rind: 'at the flank corner',
    },
  ),
  'spare-ribs': muscle(
    'inside up',
    'the breastbone and the first rib, short and thick',
    'along the underside of the ribs, the sheet held up',
    {
      bones: ['the ribs, one by one'],
      membrane: 'over the inside, from the backbone side',
    },
  ),
  breast: muscle(
    'outside down',
    'the breastbone, and the cartilage where ribs turn',
    'the long line below the eye',
    {
      bones: ['the breastbone', 'the ribs, in one sheet'],
      membrane: 'over the inside of the ribs',
    },
  ),
  flank: muscle(
    'skin side down',
    'the thick edge and the flat steak under its skin',
    'the long line below the loin',
    { membrane: 'over the flank steak, both sides' },
  ),
  plate: muscle('inside up', 'the ribs and the cartilage at their ends', 'the long line below the rib', {
    bones: ['the ribs, one by one'],
    membrane: 'over the inside of the ribs',
  }),
  skirts: muscle(
    'flat',
    'the white edge where it held to the ribs',
    'the inside of the ribs and the midriff',
    { membrane: 'both sides' },
  ),
  brisket: muscle(
    'fat side down',
    'the breastbone, ridged, and the fat seam between flat and point',
    'the line above the elbow',
    {
      bones: ['the breastbone and the rib ends on it'],
    },
  ),
  // Shoulder and neck.
  shoulder: muscle(
    'outside down, neck to the left',
    'the blade, the point of the shoulder, and the first ribs',
    'the line between the ribs, and under the blade where it is peeled off',
    {
      bones: [BLADE, ARM, FOREARM],
      gland: 'in the fat ahead of the blade, deep under the neck side',
      rind: 'at the knuckle',
    },
  ),
  butt: muscle(
    'fat side down',
    'the blade’s face in the cut, and its ridge on top',
    'straight or at an angle under the blade',
    {
      bones: [BLADE],
      gland: 'in the fat at the neck end',
      rind: BACK_RIND,
    },
  ),
  picnic: muscle(
    'outside down',
    'the round arm bone in the cut, and the elbow',
    'under the blade, at the point of the shoulder',
    {
      bones: [ARM, FOREARM],
      gland: 'in the arm pit',
      rind: 'at the knuckle',
    },
  ),
  'neck-bones': muscle('meat side up', 'the spines in a row', 'along the neck and the first ribs', {
    bones: ['the neck bones, round each spine'],
    cord: 'in the channel of the neck',
  }),
  neck: muscle(
    'along the board',
    'the row of neck bones, and the strap over them',
    'the joint ahead of the first rib',
    {
      bones: ['the neck bones, round each spine'],
      tendon: 'the backstrap, along the top',
      cord: 'in the channel of the neck',
    },
  ),
  jowl: muscle('rind down', 'the soft glands on the inside', 'behind the jaw', {
    gland: 'on the inside, several in a row',
    rind: 'at the ear end',
  }),
  foreshank: muscle('along the board', 'the elbow knob and the knee', 'the elbow joint', {
    bones: ['the fore-arm bones, from elbow to knee'],
    tendon: 'behind the knee, white and flat',
  }),
  chuck: muscle(
    'outside down, neck away from you',
    'the blade, the arm’s round bone, five ribs',
    'the line at the fifth rib',
    {
      bones: [BLADE, ARM, 'the neck and the first ribs, in one'],
      gland: 'in the fat ahead of the blade',
      tendon: 'the backstrap, along the top',
    },
  ),
  clod: muscle(
    'outside down',
    'the middle tendon of the top blade',
    'the seam over the blade, lifted from its ridge',
  ),
  'chuck-roll': muscle(
    'outside down',
    'the eye at the rib end',
    'off the ribs and the neck, under the blade',
    { tendon: 'the backstrap, along the top' },
  ),
  'chuck-ribs': muscle(
    'meat up',
    'four or five ribs, thick meat between them',
    'off the arm side of the first ribs',
    {
      bones: ['the ribs, one by one'],
      membrane: 'over the inside of the ribs',
    },
  ),
  // What is pulled out of the cavity.
  'leaf-fat': muscle('in the cavity', 'its edge along the last ribs', 'the flank, in one sheet'),
  'kidney-fat': muscle('in the cavity', 'the kidney in its middle', 'the loin, in one piece'),
  suet: muscle('in the cavity', 'the kidney in its middle', 'the loin, in one piece'),
  hanger: muscle('flat', 'the tendon down its middle', 'the backbone between the kidneys', {
    tendon: 'down its middle',
    membrane: 'both sides',
  }),
  kidneys: muscle('flat side down', 'the white core where the vessels go in', 'their fat'),
  tail: muscle(
    'along the board',
    'a gap between two bones, felt when it is bent',
    'the first joint that moves',
  ),
  head: muscle('jaw up', 'the hinge of the jaw, and the tongue’s root', 'behind the skull', {
    bones: ['the jaw and the skull'],
    gland: 'under the jaw and at the tongue’s root',
  }),
  feet: muscle('sole down', 'the joint: bend it and see it open', 'the joint above the foot'),
  liver: muscle('smooth side down', 'the gall, a green bag between the lobes', 'the midriff'),
  heart: muscle('point towards you', 'the vessels at its top, and the sac round it', 'the lungs'),
  spleen: muscle('flat', 'its thin edge', 'the side of the stomach'),
  sweetbreads: muscle('flat', 'pale lumps at neck and heart', 'the neck and the heart'),
  caul: muscle('spread flat', 'its edge over the stomach', 'the stomach, in one sheet'),
  blood: muscle('in a clean bucket', 'the stream, after the first dirty gush', 'the stick'),
  stomach: muscle('on a table of its own', 'where gullet and gut go in', 'the gut, both ends tied'),
  tract: muscle('on a table of its own', 'where gullet and gut go in', 'the carcass, both ends tied'),
  testicles: muscle('flat', 'the cord', 'the cod'),
  // Trim, fat, skin and bones.
  trim: muscle('in a shallow layer', 'glands, blood and gristle among it', 'everything that was squared'),
  'back-fat': muscle('rind down', 'the firm layer under the rind', 'the back', { rind: BACK_RIND }),
  fat: muscle('in a shallow layer', 'glands and blood among it', 'everything that was trimmed'),
  skin: muscle('fat side up', 'what fat is left on it', 'the cuts it was taken off'),
  bones: muscle('in a tub', 'pieces of the cord', 'everything that was boned', {
    cord: 'in pieces of the backbone',
  }),
  frames: muscle('in a tub', 'lungs and kidneys left in the hollows', 'what was parted'),
  // Birds.
  bird: muscle(
    'back down, legs towards you',
    'the hip, the wing joint, the keel',
    'the hook or the chill tank',
    {
      bones: [
        'the backbone, from neck to tail',
        'the ribs and the keel, from inside',
        'the thigh bones, from inside',
      ],
      gland: 'the oil gland, on the tail',
    },
  ),
  wing: muscle(
    'tip away from you',
    'the elbow, bent until it shows',
    'the shoulder joint: pull, and cut where it opens',
  ),
  back: muscle('inside up', 'kidneys and lungs in the hollows', 'along both sides of the spine'),
  giblets: muscle('apart from one another', 'the gall on the liver, green', 'the body, with two fingers'),
  'loose-neck': muscle('along the board', 'the windpipe and the crop', 'the shoulders'),
  'loose-giblets': muscle(
    'apart from one another',
    'the gall on the liver, green',
    'the body, with two fingers',
  ),
  // Rabbits.
  rabbit: muscle('back down', 'the hip, the last rib, the blade', 'the hook', {
    bones: ['the backbone, from inside', 'the ribs, from inside', 'the thigh bones, from inside'],
  }),
  hind: muscle(
    'inside up',
    'the hip ball, turned out',
    'the hip joint: bend it back until the ball stands out',
    {
      bones: ['the thigh bone, from its ball to the knee', 'the kneecap'],
    },
  ),
  fore: muscle(
    'inside up',
    'the edge of the blade: no joint holds it',
    'behind the blade, through muscle only',
    { bones: ['the blade and the arm'] },
  ),
  flap: muscle('flat', 'the thick edge along the loin', 'along the loin'),
  pelvis: muscle('inside up', 'the hip sockets', 'ahead of the hip'),
  'loose-head': muscle('jaw up', 'the edge of the skin at the nose', 'behind the skull'),
}

const OF_CLASS: Partial<Record<AnimalClass, Readonly<Record<string, Place>>>> = {
  poultry: {
    leg: muscle(
      'skin down',
      'the knee, on the line of yellow fat',
      'the hip: bend it back until the ball stands out',
      {
        bones: ['the thigh bone, from its ball to the knee', 'the drumstick, and the splint beside it'],
        rind: 'at the hip end',
        tendon: 'the strings of the drumstick',
      },
    ),
    breast: muscle(
      'skin up',
      'the keel, and the wishbone at its front',
      'along the ribs to the shoulder joint',
      {
        bones: ['the wishbone', 'the keel, along one side and then the other'],
        rind: 'at the neck end',
      },
    ),
    tenders: muscle('flat', 'the white end of the tendon', 'under the breast, along the keel'),
    neck: muscle('along the board', 'the windpipe and the crop', 'the shoulders'),
  },
  rabbits: {
    loin: muscle(
      'back up',
      'the spine, and the silver skin over the eye',
      'behind the last rib and ahead of the hip',
      {
        bones: ['the spine and its side spines, from above'],
      },
    ),
    rib: muscle('inside up', 'the ribs and the spine', 'behind the last rib', {
      bones: ['the ribs and the spine'],
    }),
    head: muscle('jaw up', 'the edge of the skin at the nose', 'behind the skull'),
    liver: muscle('smooth side down', 'the gall, a green drop; white spots: stop', 'the midriff'),
    feet: muscle('sole down', 'the joint: bend it and see it open', 'the joint above the foot'),
  },
}

/** Where a hand finds its way on a part of an animal of a class; null of a part that a farm made itself. */
export const placeOf = (of: AnimalClass, part: string): Place | null =>
  OF_CLASS[of]?.[part] ?? PLACES[part] ?? null
