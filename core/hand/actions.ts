/** What a hand takes up. */
export type HandTool =
  | 'boning knife'
  | 'breaking knife'
  | 'saw'
  | 'scraper'
  | 'twine'
  | 'hands'
  | 'grinder'
  | 'stuffer'
  | 'shears'
  | 'scale'
  | 'pot'
  | 'blades'

/** One thing a hand does, written once: how, how it looks when it is right, what goes wrong, and what is careful about it. */
export interface Action {
  word: string
  tool: HandTool
  how: string
  sign: string
  fault: string
  caution?: string
}

/** Every action that ways are made of (common practice); `{knife}` and `{off}` are the hands, by who cuts. */
export const ACTIONS = {
  lay: {
    word: 'Lay it',
    tool: 'hands',
    how: 'Dry board, damp cloth under it; the side that is worked on towards you, its thick end at your {off} hand, the rest back in the cold.',
    sign: 'It lies still when you press on it.',
    fault: 'It rocks, and the knife slips.',
  },
  find: {
    word: 'Find',
    tool: 'hands',
    how: 'Feel for it with the fingertips before the knife comes near; move what moves and see where it bends.',
    sign: 'You can put a finger on it with your eyes shut.',
    fault: 'Cutting where it should be and not where it is.',
  },
  gland: {
    word: 'Take the gland out',
    tool: 'boning knife',
    how: 'Open the fat it lies in, lift it whole with the point; it is grey-brown, firm and smooth beside soft fat. Wipe the blade.',
    sign: 'A smooth bean in the waste tub, and only fat where it lay.',
    fault: 'Cut through: its bitter juice is on the meat. Cut that away too.',
  },
  cord: {
    word: 'Take the cord out',
    tool: 'boning knife',
    how: 'Push it along its channel and draw it out in one; into the waste, never with the bones that are sold or boiled.',
    sign: 'The channel is empty from end to end.',
    fault: 'Pieces left where the saw went through.',
  },
  rind: {
    word: 'Take the rind off',
    tool: 'boning knife',
    how: 'Start at a corner, blade flat against the rind, and pull the rind rather than push the knife.',
    sign: 'You can see through it at the edge, and no fat comes with it that was to stay.',
    fault: 'The blade turned up: steps in the fat.',
    caution: 'The edge points away from the hand that pulls.',
  },
  free: {
    word: 'Free it first',
    tool: 'boning knife',
    how: 'From its thick end forward, the point held to the bone; lift as you go and let it hang in its own weight.',
    sign: 'It comes away whole, with its head.',
    fault: 'A line cut first, and the head stays behind it.',
    caution: 'Glove on the {off} hand; it lies behind the muscle you cannot see through.',
  },
  seam: {
    word: 'Part along the seam',
    tool: 'boning knife',
    how: 'Pull the muscles apart until the white skin between them shows, then let the point only touch that.',
    sign: 'Both faces are smooth and shine; none is ragged red.',
    fault: 'Into the muscle: trim that was steak.',
  },
  joint: {
    word: 'Part at the joint',
    tool: 'boning knife',
    how: 'Bend it, find the gap, cut the sinew round it and go through; no saw, no force.',
    sign: 'A white, smooth knob and no chips.',
    fault: 'Beside the gap: cut bone, and a blunt knife.',
  },
  boneOut: {
    word: 'Take the bone out',
    tool: 'boning knife',
    how: 'Blade against the bone all the way, short strokes; scrape rather than cut, and follow it round its ends.',
    sign: 'The bone is nearly white; what sticks to it would not fill a spoon.',
    fault: 'Meat left on it, or the point through the far side.',
    caution:
      'Cut away from the {off} hand, which holds the bone; glove on it. Stop the knife before the hand moves.',
  },
  ribsOut: {
    word: 'Lift the ribs off in one sheet',
    tool: 'boning knife',
    how: 'Long strokes along the underside of the ribs from the backbone down, the sheet held up in the {off} hand as it comes.',
    sign: 'Ribs in one sheet, an even film of meat between them.',
    fault: 'Dipping between the ribs: holes in the eye.',
    caution: 'Glove on the {off} hand, which lifts the sheet.',
  },
  chine: {
    word: 'Take the chine off',
    tool: 'saw',
    how: 'Saw through the ribs where they meet the backbone, not into the eye; finish with the knife along the spines.',
    sign: 'Ribs can be parted with the knife alone.',
    fault: 'Not cracked all along: chops hang together. Too deep: the eye is scored.',
    caution: 'Knife through meat first, saw only bone; fingers behind the guard or away from the stroke.',
  },
  tendon: {
    word: 'Take the tendon out',
    tool: 'boning knife',
    how: 'Grip the yellow or white end, blade flat on it, and draw it through.',
    sign: 'It comes whole; the meat springs apart where it was.',
    fault: 'Left in: it draws the piece together in the pan.',
  },
  skinOff: {
    word: 'Take silver skin and outer fat down',
    tool: 'boning knife',
    how: 'Slip the point under, blade turned up a little, and draw along the grain in strips.',
    sign: 'Red shows through; fat is one even thickness.',
    fault: 'Meat on the strips; bare patches that dry.',
  },
  membrane: {
    word: 'Peel the membrane',
    tool: 'hands',
    how: 'Loosen a corner at the backbone side, grip it with a dry cloth, draw slowly.',
    sign: 'It comes in one sheet.',
    fault: 'Started at the wrong side: it tears into strips.',
  },
  sawAcross: {
    word: 'Saw across',
    tool: 'saw',
    how: 'Square to the length, against a stop; knife through skin and meat, saw through bone, knife to finish.',
    sign: 'Faces are parallel, all as thick as the first.',
    fault: 'Wedges: thin end burnt, thick end raw.',
    caution: 'Hand saw: the piece held by a block, not fingers. Band saw: pusher, guard down, no gloves.',
  },
  sliceAcross: {
    word: 'Cut across the grain',
    tool: 'breaking knife',
    how: 'Look which way the fibres run, lay the blade across them, one long draw a slice, the {knife} elbow free.',
    sign: 'Slices stand by themselves, all as thick as the first.',
    fault: 'Along the grain: it stays tough however it is cooked.',
    caution: 'Fingertips behind the knuckles.',
  },
  snap: {
    word: 'Part at every joint',
    tool: 'boning knife',
    how: 'A cut between two bones down to the spine, then through the disc; count as you go.',
    sign: 'A bone in every piece.',
    fault: 'Two bones in one and none in the next.',
  },
  roastOff: {
    word: 'Part into pieces',
    tool: 'breaking knife',
    how: 'Mark the lengths first so that no thin end is left over, then one stroke each.',
    sign: 'Pieces of one weight stand side by side.',
    fault: 'The last one is what was left.',
  },
  sawOff: {
    word: 'Saw into pieces',
    tool: 'saw',
    how: 'Mark the lengths first; knife to the bone, saw through it, knife to finish.',
    sign: 'Pieces of one weight, clean sawn.',
    fault: 'Splinters where the saw was forced.',
    caution: 'Hand saw: the piece held by a block, not fingers. Band saw: pusher, guard down, no gloves.',
  },
  french: {
    word: 'Bare the bone ends',
    tool: 'boning knife',
    how: 'Score round each bone a hand’s breadth up at the most, push the meat back, scrape white.',
    sign: 'Bones white and of one length.',
    fault: 'Into the eye; dark skin left that burns.',
    caution: 'Scrape away from the hand that holds.',
  },
  ring: {
    word: 'Bend into a ring',
    tool: 'twine',
    how: 'Nick between the bones on the outside, bend, sew or tie top and bottom.',
    sign: 'It stands, bones outward, the eye all round.',
    fault: 'Chine not out: it will not bend, and nobody can carve it.',
  },
  open: {
    word: 'Open it',
    tool: 'boning knife',
    how: 'One cut along, short of the far side; fold it back and even what stands up.',
    sign: 'One thickness when it lies flat.',
    fault: 'Cut through: two thin pieces.',
    caution: 'The flat hand on top, fingers up.',
  },
  pocket: {
    word: 'Cut a pocket',
    tool: 'boning knife',
    how: 'In at the fat side, turn the point inside, out by the same slit.',
    sign: 'A finger goes all round, and the slit is one finger wide.',
    fault: 'Out through the other side: the filling runs.',
    caution: 'Never towards the hand that holds it shut.',
  },
  fill: {
    word: 'Fill it cold',
    tool: 'hands',
    how: 'Filling at or below 4 °C (40 °F), no fuller than it closes by itself.',
    sign: 'The edges meet.',
    fault: 'Too full: it bursts at the tie.',
    caution: 'What is filled is cooked to 74 °C (165 °F) in its middle. Name what goes in on the label.',
  },
  roll: {
    word: 'Roll it',
    tool: 'hands',
    how: 'Score the inside so that it locks, thin flaps inward, tight from the thin side, grain along the roll.',
    sign: 'As thick at the ends as in the middle.',
    fault: 'Not scored: it opens when it is cut.',
  },
  tie: {
    word: 'Tie it',
    tool: 'twine',
    how: 'First in the middle, then the ends, then between; even gaps, one pull each.',
    sign: 'It holds its shape when lifted by one end.',
    fault: 'Tied from one end: all of it pushed to the other.',
  },
  cube: {
    word: 'Cut cubes',
    tool: 'boning knife',
    how: 'Strips across the grain first, then across the strips; what is too small goes to the trim.',
    sign: 'All of one size: they are done at one time.',
    fault: 'Sinew left in: chewy ones among the rest.',
    caution: 'Fingertips behind the knuckles.',
  },
  strips: {
    word: 'Cut strips',
    tool: 'boning knife',
    how: 'Half frozen it cuts thin; fat off first.',
    sign: 'One thickness throughout.',
    fault: 'Thick ones among thin.',
    caution: 'Fingertips behind the knuckles.',
  },
  blade: {
    word: 'Pass through the blades',
    tool: 'blades',
    how: 'Twice, the second time turned a quarter.',
    sign: 'It holds together and is thin all over.',
    fault: 'Once only: it shrinks back.',
    caution:
      'Never a hand near the feed. Bladed meat is cooked as ground: 71 °C (160 °F); it is said on the label.',
  },
  square: {
    word: 'Square it',
    tool: 'breaking knife',
    how: 'Ragged ends and thin flaps off to the trim; edges straight.',
    sign: 'It could be laid beside the last one and nobody would know which is which.',
    fault: 'Thin ends left on: they burn, and the buyer pays for them.',
  },
  score: {
    word: 'Score the rind',
    tool: 'boning knife',
    how: 'Dry it, lines a finger apart through the rind and not into the meat.',
    sign: 'Lines open when it is bent; no red shows.',
    fault: 'Too deep: juice softens the rind.',
    caution: 'Rind makes the blade slip: draw it away from the body.',
  },
  sort: {
    word: 'Sort it for the grinder',
    tool: 'boning knife',
    how: 'Glands, blood spots, skin and gristle out; lean and fat to their tubs; cubes that fit the throat, near freezing.',
    sign: 'Nothing in it that you would not eat.',
    fault: 'Warm: fat smears, and the machine clogs.',
  },
  grind: {
    word: 'Grind it cold',
    tool: 'grinder',
    how: 'Plate and knife tight and cold, fed by its own weight, no more than the screw takes.',
    sign: 'Separate worms, red and white apart.',
    fault: 'Pink mush: knife blunt or meat warm. Stop and clean it.',
    caution: 'Stomper only, never a hand; unplugged before it is opened.',
  },
  stuff: {
    word: 'Season and fill',
    tool: 'stuffer',
    how: 'Spice weighed, mixed until it clings to the hand; filled without air, not tight, pricked where a bubble shows.',
    sign: 'A link can be twisted and does not burst.',
    fault: 'Filled too tight; mixture over 4 °C (40 °F).',
    caution: 'Name what goes in on the label, what people react to first.',
  },
  cure: {
    word: 'Cure it by weight',
    tool: 'scale',
    how: 'Meat and salt weighed, rubbed or pumped all over, days by thickness, turned, in the cold.',
    sign: 'Firm, one colour through, no grey middle when the first is cut.',
    fault: 'Salt by the handful: unsafe or not to be eaten.',
    caution:
      'Curing salt with nitrite only by the scale and the recipe of its maker; at or below 4 °C (40 °F); your licensed plant or extension office comes first.',
  },
  finishCure: {
    word: 'Smoke or hang it, then cut',
    tool: 'scale',
    how: 'Rinsed, dried until tacky, smoked or hung as the recipe says; sliced cold.',
    sign: 'Its weight has come down to what the plan says.',
    fault: 'Wet into the smoke: streaks, sour spots.',
  },
  boil: {
    word: 'Cook it soft',
    tool: 'pot',
    how: 'Cold water, slowly up, skimmed, until it falls apart; picked over by hand.',
    sign: 'Nothing hard between the fingers.',
    fault: 'Chips left in.',
    caution: 'Hot fat and stock burn; cooled to 4 °C (40 °F) within six hours.',
  },
  render: {
    word: 'Render it low',
    tool: 'pot',
    how: 'Cut small, a little water, low heat, never covered; strained when the bits are golden.',
    sign: 'Clear as oil, white when it sets.',
    fault: 'Brown and smoking: too hot.',
    caution: 'Hot fat burns and catches fire: dry pan, never left alone, no water on it.',
  },
  scrape: {
    word: 'Scrape the dust off',
    tool: 'scraper',
    how: 'Every sawn face, both ways, wiped with a clean dry cloth.',
    sign: 'No grey paste under the thumb.',
    fault: 'Left on: it spoils first.',
  },
  sweep: {
    word: 'Sweep it by hand',
    tool: 'hands',
    how: 'Bare fingertips over every boned face and into every fold.',
    sign: 'No chip, no gristle, no bone end.',
    fault: 'A buyer’s tooth finds it.',
  },
  look: {
    word: 'Look it over',
    tool: 'hands',
    how: 'Colour, smell, spots, swollen nodes; what the inspector did not pass is not touched further.',
    sign: 'It looks like the last good one.',
    fault: 'Something odd kept because it was a pity. Ask a vet.',
  },
  lift: {
    word: 'Lift it free',
    tool: 'boning knife',
    how: 'Cut only what holds it, close to it, nothing behind it.',
    sign: 'It comes away clean and whole.',
    fault: 'Gut or gall cut: what it touched is cut away and thrown out.',
    caution: 'Point up and away from the gut.',
  },
  clean: {
    word: 'Clean it',
    tool: 'hands',
    how: 'Vessels, skin, clots and what is not eaten off; rinsed where it is opened, dried.',
    sign: 'Water runs clear.',
    fault: 'Put away wet and warm.',
  },
  scald: {
    word: 'Scald and scrape it',
    tool: 'pot',
    how: 'Hot, not boiling; scraped as soon as it gives, rinsed until nothing comes.',
    sign: 'White, smooth, no smell.',
    fault: 'Boiled first: hair and skin are set.',
    caution: 'Scalding water: long gloves, eyes covered, children away.',
  },
  wrap: {
    word: 'Portion and wrap it',
    tool: 'scale',
    how: 'Dry, as much as one pack holds, air pressed out; weighed without the bag, name, day and lot on it.',
    sign: 'What the label says is what is in it.',
    fault: 'Wet inside: it freezes to the bag and spoils at its edge.',
  },
  aside: {
    word: 'Set it aside',
    tool: 'hands',
    how: 'Into the tub that is marked for it, weighed if that is what you learn from.',
    sign: 'The board is empty.',
    fault: 'In the wrong tub: move it, and say so.',
  },
  cold: {
    word: 'Back into the cold',
    tool: 'hands',
    how: 'Weighed, wrapped or covered, straight back; the probe read once an hour.',
    sign: 'At or below 4 °C (40 °F) when it is put away.',
    fault: 'Stacked warm: the middle stays warm for hours.',
  },
} as const satisfies Record<string, Action>
export type ActionId = keyof typeof ACTIONS
