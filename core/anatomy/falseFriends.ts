import type { Names } from './types.ts'

/** A word that means one thing at one counter and another at the next (common practice): which is meant is said where it stands. */
export interface FalseFriend {
  word: string
  says: string
}

const FRIENDS: readonly FalseFriend[] = [
  {
    word: 'porterhouse',
    says: 'A T-bone with a wide tenderloin in American words; a boneless strip steak in Commonwealth ones.',
  },
  {
    word: 'sirloin',
    says: 'The hip behind the loin in American words; the strip loin ahead of it in Commonwealth ones, where the hip is rump.',
  },
  {
    word: 'rump',
    says: 'The hip (American sirloin) in Commonwealth words; the tail end of the bottom round in American ones.',
  },
  {
    word: 'round',
    says: 'The whole hind leg of beef in American words; “round” or “thick flank” may mean its knuckle alone elsewhere.',
  },
  {
    word: 'backstrap',
    says: 'The eye of the loin to a hunter; the yellow neck ligament to a butcher, which is thrown away.',
  },
  {
    word: 'oyster',
    says: 'Four things: the small muscle on a bird’s back, that of a beef hip bone, the blade steak (flat iron), and none of them a shellfish.',
  },
  {
    word: 'spare rib',
    says: 'Ribs of a hog’s belly in American words; the shoulder’s collar end, with meat on it, in some Commonwealth shops.',
  },
  {
    word: 'knuckle',
    says: 'A beef muscle ahead of the thigh bone; or the joint of a shank or hock: say which.',
  },
  {
    word: 'hock',
    says: 'The joint above the foot with the meat round it; “shank” and “knuckle” are used for the same piece.',
  },
  {
    word: 'shank',
    says: 'The lower leg of any animal; a hog’s is also called hock or knuckle, beef’s shin.',
  },
  { word: 'baby back', says: 'A menu’s word for back ribs: those of the loin, not of a young pig.' },
  { word: 'prime rib', says: 'A rib roast as it is served; it says nothing of a grade.' },
  { word: 'gammon', says: 'A cured leg, or steaks of it; fresh it is leg of pork, American ham.' },
  {
    word: 'cutlet',
    says: 'A rib chop with its bone in Commonwealth words; a thin boneless slice in American ones.',
  },
]

/** The false friends in a thing's names, or in what was typed. */
export function falseFriendsIn(...texts: (string | Names)[]): FalseFriend[] {
  const all = texts
    .map((t) => (typeof t === 'string' ? t : `${t.american} ${t.commonwealth}`).toLowerCase())
    .join(' ')
  return FRIENDS.filter(({ word }) => new RegExp(`\\b${word.replace(' ', '[ -]?')}s?\\b`).test(all))
}
