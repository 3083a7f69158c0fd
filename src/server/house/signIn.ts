import { randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import type { AstroCookies } from 'astro';
import {
  SIGN_IN_COOKIE,
  SIGN_IN_COOKIE_SECURE,
  type Caller,
  type HolderInput,
  type JoinInput,
  type OwnerInput,
  type PinInput,
  type SignInInput,
  type TabletInput,
} from '../../contracts/house/access.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import { freeMark, initialsOf } from '../../core/house/people.ts';
import { inUse } from '../../core/books/inUse.ts';
import {
  accountBy,
  endSignIns,
  insertSignIn,
  ownerPerson,
  setHolder,
  setSecret,
  useKey,
  writeAccount,
} from '../../db/house/access.ts';
import { countTry, forgetTries, takeBackTry, type Limit } from '../../db/house/tries.ts';
import { inTransaction, signAs } from '../../db/inTransaction.ts';
import { WORDS } from '../../words/en/house/signIn.ts';
import { database } from '../database.ts';
import { readSeason } from '../plan/season.ts';
import { hashOfKey, mustSignIn, STAYS } from './caller.ts';

/** Tries of a way in. Common practice, no source; OWASP ASVS 4.0 2.2.1 asks at most 100 failures an hour on one account (from memory). */
const LIMITS = {
  /** A name from one address. */
  name: { name: 'sign-in', tries: 5, within_s: 900, rest_s: 900 },
  /** A name from everywhere: a guess that comes from many. */
  nameAll: { name: 'sign-in-all', tries: 60, within_s: 3600, rest_s: 3600 },
  /** An address, whatever names it tries. */
  address: { name: 'sign-in-from', tries: 40, within_s: 900, rest_s: 900 },
  pin: { name: 'pin', tries: 5, within_s: 900, rest_s: 900 },
  link: { name: 'link-from', tries: 20, within_s: 900, rest_s: 900 },
} as const satisfies Record<string, Limit>;

async function try_(limit: Limit, key: string): Promise<void> {
  const wait_s = await countTry(database(), limit, key);
  if (wait_s > 0) throw new ProblemError(429, WORDS.tooOften, WORDS.waitMinutes(Math.ceil(wait_s / 60)));
}

/** What is hashed when a name is not known, so that the answer takes as long as for one that is. */
let nobodys: Promise<string> | undefined;
const secretOf = (text: string): Promise<string> => hash(text.normalize('NFC'));
const isSecret = (kept: string, tried: string): Promise<boolean> =>
  verify(kept, tried.normalize('NFC')).catch(() => false);

const wrong = () => new ProblemError(401, WORDS.notSignedIn, WORDS.nameOrPasswordWrong);

/** A device that is to be signed in: where it calls from, and where its cookie goes. */
export interface Device {
  readonly address: string;
  readonly secure: boolean;
  readonly cookies: AstroCookies;
}

/** Signs a device in; the token is in its cookie alone. */
export async function letIn(of: Device, who: { personId: number | null; device: string }): Promise<void> {
  const token = randomBytes(32).toString('base64url');
  const kind = who.personId === null ? 'house' : 'person';
  await inTransaction(database(), async (transaction) => {
    await signAs(database(), who.personId, transaction);
    await insertSignIn(database(), { ...who, kind, tokenHash: hashOfKey(token), days: STAYS[kind] }, transaction);
  });
  of.cookies.set(of.secure ? SIGN_IN_COOKIE_SECURE : SIGN_IN_COOKIE, token, {
    path: '/',
    httpOnly: true,
    sameSite: 'lax',
    secure: of.secure,
    maxAge: STAYS[kind] * 86_400,
  });
}

/** @throws ProblemError 401 whatever of name and password is wrong, 429 after too many tries */
export async function signIn(input: SignInInput, of: Device): Promise<{ personId: number }> {
  const both = `${input.login}/${of.address}`;
  await try_(LIMITS.address, of.address);
  await try_(LIMITS.name, both);
  await try_(LIMITS.nameAll, input.login);
  const account = await accountBy(database(), { login: input.login });
  const kept = account?.passwordHash ?? (await (nobodys ??= secretOf(randomBytes(16).toString('hex'))));
  const right = await isSecret(kept, input.password);
  if (!account || !right || account.removed) throw wrong();
  await forgetTries(database(), LIMITS.name, both);
  await takeBackTry(database(), LIMITS.nameAll, input.login);
  await takeBackTry(database(), LIMITS.address, of.address);
  await letIn(of, { personId: account.personId, device: input.device });
  return { personId: account.personId };
}

/** The account of a link that works once; the first owner's as well. @throws ProblemError 410 for a link that is used, old or none */
export async function join(input: JoinInput, of: Device): Promise<{ personId: number }> {
  await try_(LIMITS.link, of.address);
  refuseWeak(input.password, input.login);
  const passwordHash = await secretOf(input.password);
  const personId = await inTransaction(database(), async (transaction) => {
    const link = await useKey(database(), hashOfKey(input.key), ['join', 'owner'], transaction);
    if (!link) throw new ProblemError(410, WORDS.linkOver, WORDS.askForAnother);
    // Who starts Crook holds all of it anyway: the link of the machine is also the way back for an owner who forgot.
    const known = link.personId === null ? await accountBy(database(), { login: input.login }, transaction) : null;
    const person = link.personId ?? (await makeOwner(input.login, known?.personId ?? null, transaction));
    await signAs(database(), person, transaction);
    const written = await writeAccount(database(), { ...input, personId: person, passwordHash }, transaction);
    if (written === 'taken') throw fieldProblem('login', WORDS.nameTaken);
    // Another password: whoever knew the one before is out.
    await endSignIns(database(), { personId: person }, transaction);
    return person;
  });
  await takeBackTry(database(), LIMITS.link, of.address);
  await letIn(of, { personId, device: input.device });
  return { personId };
}

/** The first owner, by whoever sits at the machine. @throws ProblemError 409 where there is one */
export async function beOwner(input: OwnerInput, caller: Caller, of: Device): Promise<{ personId: number }> {
  if (caller.kind !== 'open' || mustSignIn()) throw new ProblemError(409, WORDS.ownerThereTitle, WORDS.ownerThere);
  refuseWeak(input.password, input.login);
  const passwordHash = await secretOf(input.password);
  const personId = await inTransaction(database(), async (transaction) => {
    const person = await makeOwner(input.name, null, transaction);
    await signAs(database(), person, transaction);
    await writeAccount(database(), { ...input, personId: person, passwordHash }, transaction);
    return person;
  });
  await letIn(of, { personId, device: input.device });
  return { personId };
}

async function makeOwner(
  name: string,
  personId: number | null,
  transaction: Parameters<Parameters<typeof inTransaction>[1]>[0],
): Promise<number> {
  const { world } = await readSeason();
  const before = world.people.find(({ id }) => id === personId);
  if (before) return ownerPerson(database(), before, transaction);
  const people = inUse(world.people).filter((person) => person.name.toLowerCase() !== name.toLowerCase());
  const taken = new Set(people.map(({ initials }) => initials.toLowerCase()));
  const wish = initialsOf(name) || 'O';
  const initials = [wish, ...[2, 3, 4, 5, 6, 7, 8, 9].map((n) => `${wish.slice(0, 3)}${n}`)].find(
    (one) => !taken.has(one.toLowerCase()),
  );
  return ownerPerson(database(), { name, initials: initials ?? wish, mark: freeMark(people) }, transaction);
}

/** Passwords that are tried first by whoever guesses: no list of them is complete. */
const COMMON =
  /^(?:(.)\1+|(?:0?123456789?0?|abcdefghijkl\w*|qwerty\w*|password\w*|passwort\w*|letmein\w*|changeme\w*|administrator)\d*)$/i;
function refuseWeak(password: string, login: string): void {
  if (COMMON.test(password) || (password.toLowerCase().includes(login.toLowerCase()) && login.length > 3))
    throw fieldProblem('password', WORDS.passwordGuessed);
}

/** Signs a tablet in as the house, by a link of the owner's. */
export async function joinTablet(input: TabletInput, of: Device): Promise<void> {
  await try_(LIMITS.link, of.address);
  const link = await useKey(database(), hashOfKey(input.key), ['tablet']);
  if (!link) throw new ProblemError(410, WORDS.linkOver, WORDS.askForAnother);
  await takeBackTry(database(), LIMITS.link, of.address);
  await letIn(of, { personId: null, device: input.device });
}

export async function signOut(caller: Caller, everywhere: boolean, { cookies, secure }: Device): Promise<number> {
  cookies.delete(secure ? SIGN_IN_COOKIE_SECURE : SIGN_IN_COOKIE, { path: '/', secure });
  if (everywhere && caller.kind === 'person') return endSignIns(database(), { personId: caller.personId! });
  return caller.signInId === null ? 0 : endSignIns(database(), { id: caller.signInId });
}

/** The own account. @throws ProblemError 403 for somebody who has none */
async function ownAccount(caller: Caller) {
  const account = caller.kind === 'person' ? await accountBy(database(), { personId: caller.personId! }) : null;
  if (!account) throw new ProblemError(403, WORDS.noAccount, WORDS.signInYourself);
  return account;
}

async function proven(caller: Caller, password: string, path: string) {
  const account = await ownAccount(caller);
  await try_(LIMITS.name, `own/${account.personId}`);
  if (!(await isSecret(account.passwordHash, password))) throw fieldProblem(path, WORDS.passwordWrong);
  await forgetTries(database(), LIMITS.name, `own/${account.personId}`);
  return account;
}

/** Changes the own password; all other devices of this person are signed out. */
export async function changePassword(
  caller: Caller,
  input: { old: string; password: string },
  of: Device,
): Promise<void> {
  const { personId, login } = await proven(caller, input.old, 'old');
  refuseWeak(input.password, login);
  const passwordHash = await secretOf(input.password);
  await inTransaction(database(), async (transaction) => {
    await setSecret(database(), personId, { passwordHash }, transaction);
    await endSignIns(database(), { personId }, transaction);
  });
  await letIn(of, { personId, device: '' });
}

export async function setPin(caller: Caller, input: PinInput): Promise<void> {
  const { personId } = await proven(caller, input.password, 'password');
  if (/^(\d)\1+$/.test(input.pin) || '01234567890 9876543210'.includes(input.pin))
    throw fieldProblem('pin', WORDS.pinGuessed);
  const pinHash = await secretOf(input.pin);
  await inTransaction(database(), (transaction) => setSecret(database(), personId, { pinHash }, transaction));
}

/** Another person takes a tablet of the house, or nobody in particular. */
export async function takeTablet(caller: Caller, input: HolderInput): Promise<{ personId: number | null }> {
  if (caller.kind !== 'house') throw new ProblemError(409, WORDS.noTablet, WORDS.onlyTablet);
  if (input.personId !== null) {
    const key = `${caller.signInId}/${input.personId}`;
    await try_(LIMITS.pin, key);
    const account = await accountBy(database(), { personId: input.personId });
    if (account?.pinHash == null || account.removed) throw fieldProblem('pin', WORDS.noPin);
    if (!(await isSecret(account.pinHash, input.pin))) throw fieldProblem('pin', WORDS.pinWrong);
    await forgetTries(database(), LIMITS.pin, key);
  }
  await setHolder(database(), caller.signInId!, input.personId);
  return { personId: input.personId };
}
