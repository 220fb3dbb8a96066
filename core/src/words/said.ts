/** A sentence as data: what is said by its code, and the figures and names in it. */
export interface AnySaid {
  code: string;
  params: object;
}

/** Puts one into words; what is said inside a sentence is said by it too. */
export type Tell = (said: AnySaid) => string;
