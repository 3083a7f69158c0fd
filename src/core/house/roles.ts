/** What a person of the house may do, each also what those before it may: look and print; the day's work; plans, books and heat; people, keys and settings. */
export const ROLES = ['guest', 'hand', 'grower', 'owner'] as const;
export type Role = (typeof ROLES)[number];

/** Whether a role reaches to another. */
export const reaches = (role: Role, least: Role): boolean => ROLES.indexOf(role) >= ROLES.indexOf(least);

/** The lesser of two roles: a short PIN on a tablet that all use is no key to all that its person may do. */
export const lesser = (one: Role, other: Role): Role => (reaches(one, other) ? other : one);
