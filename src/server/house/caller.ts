import { createHash } from 'node:crypto';
import { AGE_HEADER } from '../../contracts/house/device.ts';
import { PERSON_HEADER, personIn } from '../../contracts/house/holder.ts';
import { SIGN_IN_COOKIE, SIGN_IN_COOKIE_SECURE, type Caller } from '../../contracts/house/access.ts';
import { lesser } from '../../core/house/roles.ts';
import { readAccess, touchSignIn, type SignInRecord } from '../../db/house/access.ts';
import { ProblemError } from '../../contracts/problem.ts';
import { WORDS } from '../../words/en/house/access.ts';
import { readSeason } from '../plan/season.ts';
import { readConfig } from '../config.ts';
import { database } from '../database.ts';

/** How long a device stays signed in after it was last used, days. */
export const STAYS = { person: 30, house: 400 } as const;
/** More seldom than this it is not written that a device was seen. */
const SEEN_ms = 10 * 60_000;

/** Only this of a token, link or key is kept: who reads the database cannot sign in with it. */
export const hashOfKey = (key: string): Buffer => createHash('sha256').update(key).digest();

function cookie(request: Request, ...names: readonly string[]): string | null {
  for (const part of (request.headers.get('cookie') ?? '').split(';')) {
    const [name, value] = part.trim().split('=');
    if (name && value && names.includes(name)) return value;
  }
  return null;
}

/** Whether everybody signs in here, whoever was invited: others than this machine can reach it. */
export function mustSignIn(): boolean {
  const { host, trustProxy } = readConfig(process.env);
  return trustProxy || !isLoopback(host);
}
export const isLoopback = (host: string): boolean => /^(?:127(?:\.\d{1,3}){3}|localhost|::1)$/i.test(host);

/** Who is not signed in. */
export const NOBODY: Caller = { kind: 'none', role: null, personId: null, signInId: null, removedId: null };

/** Who calls. Where nobody signs in it is whoever sits at the machine, who may do all. */
export async function callerOf(request: Request): Promise<Caller> {
  const token = cookie(request, SIGN_IN_COOKIE_SECURE, SIGN_IN_COOKIE);
  const { asked, signIn } = await readAccess(database(), token === null ? null : hashOfKey(token));
  if (!asked && !mustSignIn()) return { ...NOBODY, kind: 'open', role: 'owner', personId: saidWriter(request) };
  if (signIn === null) return NOBODY;
  if (signIn.removed) return { ...NOBODY, removedId: signIn.personId };
  if (signIn.ended) return NOBODY;
  if (Date.now() - signIn.seen_ms > SEEN_ms) await touchSignIn(database(), signIn.id, STAYS[signIn.kind]);
  return signIn.kind === 'person' ? ofPerson(signIn) : ofTablet(signIn, request);
}

const ofPerson = ({ id, role, personId }: SignInRecord): Caller => ({
  kind: 'person',
  role,
  personId,
  signInId: id,
  removedId: null,
});

/**
 * A tablet that all use: its work is done by whoever holds it, by their PIN. A line that waited on it is written by whoever held it then.
 * A PIN is short: it is no key to people and settings.
 */
function ofTablet({ id, holderId, holderRole }: SignInRecord, request: Request): Caller {
  const personId = howOld(request) === null ? holderId : saidWriter(request);
  return {
    kind: 'house',
    role: holderRole ? lesser(holderRole, 'grower') : 'hand',
    personId,
    signInId: id,
    removedId: null,
  };
}

/** Who a call says it is written by: as the call itself says (a line tapped by somebody and sent later), else whoever holds the device. */
export function saidWriter(request: Request): number | null {
  const said = request.headers.get(PERSON_HEADER);
  if (said !== null) return /^[1-9]\d{0,8}$/.test(said) ? Number(said) : null;
  return personIn(request.headers.get('cookie') ?? '');
}

/**
 * What waited on a device goes out in the name of whoever tapped it: signed in as somebody else it is refused, and stays on the device.
 * @throws ProblemError 409 for an entry of another person
 */
export async function refuseAnothers(caller: Caller, saidId: number | null): Promise<void> {
  if (caller.kind !== 'person' || saidId === null || saidId === caller.personId) return;
  const name = (await readSeason()).world.people.find(({ id }) => id === saidId)?.name ?? null;
  throw new ProblemError(409, WORDS.anothersTitle, WORDS.anothers(name));
}

/** How many milliseconds ago what a call does was tapped, by the clock of the device it waited on; null: it did not wait. */
export function howOld(request: Request): number | null {
  const said = request.headers.get(AGE_HEADER);
  return said !== null && /^-?\d{1,14}$/.test(said) ? Number(said) : null;
}
