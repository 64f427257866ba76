/** Which sex has two different sex chromosomes: the female (as in birds, moths) or the male (as in mammals, many flies). */
export const SEX_SYSTEMS = ['ZW', 'XY'] as const;
export type SexSystem = (typeof SEX_SYSTEMS)[number];

export const SEXES = ['female', 'male'] as const;
export type Sex = (typeof SEXES)[number];
