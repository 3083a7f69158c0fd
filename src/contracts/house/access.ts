import { z } from 'zod';
import { ROLES, type Role } from '../../core/house/roles.ts';
import { WORDS } from '../../words/en/house/accessContract.ts';
import type { Call } from '../call.ts';
import { shortText } from '../fields.ts';

/** Cookie of a device that is signed in. Over HTTPS its name binds it to this host, with no other path or domain. */
export const SIGN_IN_COOKIE = 'crook-in';
export const SIGN_IN_COOKIE_SECURE = '__Host-crook-in';

/** Who may do what with an address; `null`: anybody, also who is not signed in. */
interface Rule {
  readonly at: RegExp;
  readonly read: Role | null;
  readonly write: Role | null;
}

const rule = (at: RegExp, read: Role | null, write: Role | null = read): Rule => ({ at, read, write });

/**
 * The roles of all pages and calls, the first that fits. What is not named may be looked at by a guest and changed by a grower; so a new
 * page is never open by forgetting it here.
 */
const RULES: readonly Rule[] = [
  // The way in, and what says that the application is up.
  rule(/^\/house\/(?:sign-in|join)$/, null),
  rule(/^\/api\/house\/health$/, null),
  rule(/^\/api\/house\/access\/(?:sign-in|join|owner|tablet|passkey|passkey\/challenge)$/, null),
  // Its key in the address is its way in.
  rule(/^\/api\/house\/feed\/[^/]+\.ics$/, null),
  // One's own: password, PIN, devices; whose hands a tablet is in.
  rule(/^\/house\/me$/, 'guest'),
  rule(/^\/api\/house\/access\/(?:sign-out|sign-ins\/\d+|password|holder|me(?:\/.*)?)$/, 'guest'),
  // People, ways in, settings, what was changed by whom.
  rule(/^\/house\/(?:people|audit|settings)$/, 'owner'),
  rule(/^\/api\/house\/access\/.*$/, 'owner'),
  rule(/^\/api\/books\/people(?:\/.*)?$/, 'owner'),
  rule(/^\/api\/house\/(?:nursery|clock)$/, 'guest', 'owner'),
  rule(/^\/(?:api\/)?house\/begin(?:\/.*)?$/, 'owner'),
  rule(/^\/api\/heat\/settings$/, 'guest', 'owner'),
  // The day's work.
  rule(/^\/api\/house\/(?:entries|round\/lines|photos)$/, 'guest', 'hand'),
  rule(/^\/api\/batch\/\d+\/(?:events|photo-counts)$/, 'guest', 'hand'),
  rule(/^\/api\/heat\/zones\/\d+\/by-hand$/, 'guest', 'hand'),
  rule(/^\/api\/heat\/alarms\/\d+$/, 'guest', 'hand'),
  rule(/^\/api\/heat\/hot-beds\/\d+$/, 'guest', 'hand'),
  rule(/^\/api\/(?:watering\/lines|weather\/readings)$/, 'guest', 'hand'),
  rule(/^\/api\/potting\/sessions(?:\/.*)?$/, 'guest', 'hand'),
  rule(/^\/api\/potting\/stock$/, 'guest', 'hand'),
  // They ask, and write nothing.
  rule(/^\/api\/batch\/lines\/look$/, 'guest'),
];

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** The least role that may ask this of an address; null: anybody. */
export function leastRole(method: string, pathname: string): Role | null {
  const plain = pathname.length > 1 ? pathname.replace(/\/+$/, '') : pathname;
  const found = RULES.find(({ at }) => at.test(plain)) ?? rule(/^/, 'guest', 'grower');
  return READS.has(method.toUpperCase()) ? found.read : found.write;
}

/** Shortest password. @source NIST SP 800-63B 5.1.1.2 asks 8 at least; OWASP ASVS 4.0 2.1.1 asks 12 (from memory). */
export const PASSWORD_least = 12;
const PASSWORD_most = 128;

const password = z
  .string({ error: WORDS.password })
  .min(PASSWORD_least, { error: WORDS.passwordShort(PASSWORD_least) })
  .max(PASSWORD_most, { error: WORDS.passwordLong(PASSWORD_most) });
/** A password as it is tried: what does not fit the rules is simply wrong. */
const tried = z.string({ error: WORDS.password }).min(1, { error: WORDS.password }).max(1000);
const login = shortText('login', 120).transform((text) => text.normalize('NFC').toLowerCase());
const device = z.string().trim().max(80).default('');
const pin = z.string({ error: WORDS.pin }).regex(/^\d{4,8}$/, { error: WORDS.pin });
const email = z
  .union([z.literal(''), z.email({ error: WORDS.email }).max(254)])
  .nullish()
  .transform((text) => text || null);
const key = z.string().regex(/^[\w-]{43}$/, { error: WORDS.linkBroken });
const challenge = z.record(z.string(), z.unknown());

export const signInInput = z.strictObject({ login, password: tried, device });
/** A link that works once: the account of the person it is for, or of the first owner. */
export const joinInput = z.strictObject({ key, login, email, password, device });
/** The first owner, made on the machine itself. */
export const ownerInput = z.strictObject({ name: shortText('name', 60), login, email, password, device });
/** A tablet that stays signed in as the house. */
export const tabletInput = z.strictObject({ key, device });
/** A link for a person, to join or to make another password; without a person, for a tablet of the house. */
export const linkInput = z.strictObject({ personId: z.number().int().positive().nullable() });
export const signOutInput = z.strictObject({ everywhere: z.boolean().default(false) });
export const passwordInput = z.strictObject({ old: tried, password });
export const pinInput = z.strictObject({ password: tried, pin });
export const holderInput = z.strictObject({
  personId: z.number().int().positive().nullable(),
  pin: z.string().max(20),
});
export const passkeyInput = z.strictObject({ name: shortText('name', 60), answer: challenge });
export const passkeySignInInput = z.strictObject({ answer: challenge, device });

export type SignInInput = z.output<typeof signInInput>;
export type JoinInput = z.output<typeof joinInput>;
export type OwnerInput = z.output<typeof ownerInput>;
export type TabletInput = z.output<typeof tabletInput>;
export type PinInput = z.output<typeof pinInput>;
export type HolderInput = z.output<typeof holderInput>;

/** Who calls, as the server knows it. */
export interface Caller {
  /**
   * open: nobody has to sign in here; none: not signed in; person: by their own; house: a tablet of the house.
   */
  readonly kind: 'open' | 'none' | 'person' | 'house';
  readonly role: Role | null;
  /** Who is signed in, or holds the tablet; null: nobody in particular. */
  readonly personId: number | null;
  readonly signInId: number | null;
  /** Whose device this was before they were removed; null: nobody's. */
  readonly removedId: number | null;
}

/** A link to be opened once, on another device. */
export interface Link {
  readonly url: string;
  readonly until_ms: number;
  /** The link as a square to be read by a camera, SVG. */
  readonly svg: string;
}

/** A device that is signed in. */
export interface SignInView {
  readonly id: number;
  readonly kind: 'person' | 'house';
  readonly personId: number | null;
  readonly device: string;
  readonly begun_ms: number;
  readonly seen_ms: number;
  readonly here: boolean;
}

/** A line of the audit list. */
export interface AuditLine {
  readonly id: number;
  readonly at_ms: number;
  readonly authorId: number | null;
  readonly what: string;
  readonly done: 'made' | 'changed' | 'removed';
  readonly rowId: number | null;
  readonly old: Readonly<Record<string, unknown>>;
  readonly new: Readonly<Record<string, unknown>>;
}

export const ACCESS_CALLS: readonly Call[] = [
  {
    method: 'post',
    path: '/api/house/access/owner',
    summary: 'Makes the first owner, on the machine itself; from then on everybody signs in',
    body: ownerInput,
    status: 201,
  },
  { method: 'post', path: '/api/house/access/sign-in', summary: 'Signs a device in', body: signInInput, status: 200 },
  {
    method: 'post',
    path: '/api/house/access/sign-out',
    summary: 'Signs this device out, or all of this person',
    body: signOutInput,
    status: 200,
  },
  {
    method: 'post',
    path: '/api/house/access/join',
    summary: 'Makes the account of a link that works once, and signs in',
    body: joinInput,
    status: 201,
  },
  { method: 'post', path: '/api/house/access/passkey/challenge', summary: 'What a passkey is to answer', status: 200 },
  {
    method: 'post',
    path: '/api/house/access/passkey',
    summary: 'Signs a device in by a passkey',
    body: passkeySignInInput,
    status: 200,
  },
  {
    method: 'post',
    path: '/api/house/access/links',
    summary: 'A link that works once, for a person or for a tablet of the house',
    body: linkInput,
    status: 201,
  },
  {
    method: 'post',
    path: '/api/house/access/tablet',
    summary: 'Signs a tablet in as the house, by a link',
    body: tabletInput,
    status: 201,
  },
  {
    method: 'post',
    path: '/api/house/access/holder',
    summary: 'Another person takes the tablet of the house, by their PIN',
    body: holderInput,
    status: 200,
  },
  {
    method: 'put',
    path: '/api/house/access/password',
    summary: 'Changes the own password',
    body: passwordInput,
    status: 200,
  },
  {
    method: 'put',
    path: '/api/house/access/me/pin',
    summary: 'Sets the own PIN for tablets of the house',
    body: pinInput,
    status: 200,
  },
  {
    method: 'post',
    path: '/api/house/access/me/passkeys/challenge',
    summary: 'What a new passkey is made with',
    status: 200,
  },
  {
    method: 'post',
    path: '/api/house/access/me/passkeys',
    summary: 'Keeps a new passkey',
    body: passkeyInput,
    status: 201,
  },
  { method: 'delete', path: '/api/house/access/me/passkeys/{id}', summary: 'Removes a passkey', status: 200 },
  { method: 'delete', path: '/api/house/access/sign-ins/{id}', summary: 'Signs a device out', status: 200 },
  {
    method: 'get',
    path: '/api/house/access/audit',
    summary: 'Changes of people, ways in, settings and set-points, the last first; ?before= goes on',
    status: 200,
  },
];

export { ROLES, type Role };
