import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
  type AuthenticationResponseJSON,
  type RegistrationResponseJSON,
} from '@simplewebauthn/server';
import type { Caller } from '../../contracts/house/access.ts';
import { ProblemError } from '../../contracts/problem.ts';
import {
  accountBy,
  deletePasskey,
  insertKey,
  insertPasskey,
  passkeyBy,
  passkeysOf,
  useKey,
  usedPasskey,
} from '../../db/house/access.ts';
import { inTransaction } from '../../db/inTransaction.ts';
import { WORDS } from '../../words/en/house/signIn.ts';
import { database } from '../database.ts';
import { hashOfKey } from './caller.ts';
import { letIn, type Device } from './signIn.ts';

/** Keys of a phone or a computer itself instead of a password (WebAuthn level 2). They work over HTTPS or on the machine itself. */
const CHALLENGE_min = 5;

/** A challenge is used once: what was answered to it before is worth nothing. */
async function keepChallenge(challenge: string): Promise<void> {
  await insertKey(database(), {
    keyHash: hashOfKey(challenge),
    purpose: 'challenge',
    personId: null,
    minutes: CHALLENGE_min,
  });
}
const useChallenge = async (challenge: string): Promise<boolean> =>
  (await useKey(database(), hashOfKey(challenge), ['challenge'])) !== null;

const refused = () => new ProblemError(401, WORDS.notSignedIn, WORDS.passkeyWrong);

export async function signInChallenge(url: URL): Promise<object> {
  const options = await generateAuthenticationOptions({ rpID: url.hostname, userVerification: 'preferred' });
  await keepChallenge(options.challenge);
  return options;
}

export async function signInByPasskey(
  answer: object,
  device: string,
  url: URL,
  of: Device,
): Promise<{ personId: number }> {
  const response = answer as AuthenticationResponseJSON;
  const key = typeof response.id === 'string' ? await passkeyBy(database(), response.id) : null;
  if (!key) throw refused();
  const done = await verifyAuthenticationResponse({
    response,
    expectedChallenge: useChallenge,
    expectedOrigin: url.origin,
    expectedRPID: url.hostname,
    requireUserVerification: false,
    credential: { id: key.credentialId, publicKey: new Uint8Array(key.publicKey), counter: key.counter },
  }).catch(() => null);
  if (!done?.verified) throw refused();
  await usedPasskey(database(), key.id, done.authenticationInfo.newCounter);
  await letIn(of, { personId: key.personId, device });
  return { personId: key.personId };
}

async function ownOf(caller: Caller) {
  const account = caller.kind === 'person' ? await accountBy(database(), { personId: caller.personId! }) : null;
  if (!account) throw new ProblemError(403, WORDS.noAccount, WORDS.signInYourself);
  return account;
}

export async function newPasskeyChallenge(caller: Caller, url: URL): Promise<object> {
  const { personId, login } = await ownOf(caller);
  const there = await passkeysOf(database(), personId);
  const options = await generateRegistrationOptions({
    rpName: WORDS.crook,
    rpID: url.hostname,
    userName: login,
    userID: new TextEncoder().encode(String(personId)),
    excludeCredentials: there.map(({ credentialId }) => ({ id: credentialId })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'preferred' },
  });
  await keepChallenge(options.challenge);
  return options;
}

export async function keepPasskey(caller: Caller, name: string, answer: object, url: URL): Promise<{ id: number }> {
  const { personId } = await ownOf(caller);
  const done = await verifyRegistrationResponse({
    response: answer as RegistrationResponseJSON,
    expectedChallenge: useChallenge,
    expectedOrigin: url.origin,
    expectedRPID: url.hostname,
    requireUserVerification: false,
  }).catch(() => null);
  if (!done?.verified) throw new ProblemError(422, WORDS.passkeyTitle, WORDS.passkeyWrong);
  const { credential } = done.registrationInfo;
  const { id: credentialId, publicKey, counter } = credential;
  const id = await inTransaction(database(), (transaction) =>
    insertPasskey(database(), { personId, credentialId, publicKey, counter, name }, transaction),
  );
  return { id };
}

export async function removePasskey(caller: Caller, id: number): Promise<void> {
  const gone = await inTransaction(database(), (transaction) =>
    deletePasskey(database(), id, caller.personId ?? 0, transaction),
  );
  if (!gone) throw new ProblemError(404, WORDS.passkeyTitle, WORDS.noSuchPasskey);
}

export const passkeysFor = async ({ kind, personId }: Caller) =>
  kind === 'person' && personId !== null ? passkeysOf(database(), personId) : [];
