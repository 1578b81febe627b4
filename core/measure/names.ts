export const NAME_SETS = ['american', 'commonwealth'] as const
export type NameSet = (typeof NAME_SETS)[number]
/** What a thing is called on either side of the ocean. */
export type Names = Readonly<Record<NameSet, string>>
