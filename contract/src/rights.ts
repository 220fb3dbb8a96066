/** Whose an image is, as far as the shop has asked. */
export const RIGHTS = ['unasked', 'own', 'licensed', 'customer-assures', 'refused'] as const;
