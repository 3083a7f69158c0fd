import { randomBytes } from 'node:crypto';
import bwipjs, { type RenderOptions } from 'bwip-js/node';
import type { AuditLine, Caller, Link, SignInView } from '../../contracts/house/access.ts';
import { ProblemError } from '../../contracts/problem.ts';
import { isInUse } from '../../core/books/inUse.ts';
import { endSignIns, insertKey, readAudit, readSignIns } from '../../db/house/access.ts';
import { inTransaction } from '../../db/inTransaction.ts';
import { WORDS } from '../../words/en/house/signIn.ts';
import { database } from '../database.ts';
import { readSeason } from '../plan/season.ts';
import { hashOfKey } from './caller.ts';

/** How long a link works, minutes: it is opened on a phone that is at hand. */
export const LINK_min = 24 * 60;

/** A link that works once: for a person to join or make another password, or for a tablet of the house. The key is in the part that browsers send to nobody. */
export async function makeLink(personId: number | null, origin: string): Promise<Link> {
  if (personId !== null) {
    const { world } = await readSeason();
    const person = world.people.find(({ id }) => id === personId);
    if (!person || !isInUse(person)) throw new ProblemError(404, WORDS.noSuchPerson, WORDS.noPersonNumber(personId));
  }
  const key = randomBytes(32).toString('base64url');
  const purpose = personId === null ? 'tablet' : 'join';
  await inTransaction(database(), (transaction) =>
    insertKey(database(), { keyHash: hashOfKey(key), purpose, personId, minutes: LINK_min }, transaction),
  );
  const url = `${origin}/house/join#${purpose}.${key}`;
  const svg = bwipjs.toSVG({ bcid: 'qrcode', text: url, scale: 3, eclevel: 'M' } as RenderOptions);
  return { url, svg, until_ms: Date.now() + LINK_min * 60_000 };
}

/** Devices that are signed in: all, or those of one person. */
export async function signInsFor(caller: Caller, all: boolean): Promise<readonly SignInView[]> {
  const found = await readSignIns(database());
  return found
    .filter(({ personId }) => all || personId === caller.personId)
    .map((one) => ({ ...one, here: one.id === caller.signInId }));
}

/** Signs a device out; of others only an owner may. @throws ProblemError 404 for a device that is not one of theirs */
export async function endSignIn(id: number, caller: Caller): Promise<void> {
  const devices = await signInsFor(caller, caller.role === 'owner');
  const ended = devices.some((device) => device.id === id)
    ? await inTransaction(database(), (transaction) => endSignIns(database(), { id }, transaction))
    : 0;
  if (ended === 0) throw new ProblemError(404, WORDS.noSuchDevice, WORDS.deviceOut);
}

export const auditBefore = (before: number | null): Promise<readonly AuditLine[]> => readAudit(database(), before);
