/** Answers to whose image it is, as a person gives them. */
export const RIGHTS_WORDS = [
  ['own', 'Ours, or free to use'],
  ['licensed', 'Licensed, transfers included'],
  ['customer-assures', 'The customer assures they may'],
  ['refused', 'Not to be sold as a transfer'],
] as const;
