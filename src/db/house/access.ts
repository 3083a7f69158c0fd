import type { Transaction } from 'sequelize';
import type { AuditLine, SignInView } from '../../contracts/house/access.ts';
import type { Role } from '../../core/house/roles.ts';
import { ms, rows, run, type Db, type In } from '../sql.ts';

/** A device as it is signed in, with whoever it stands for. */
export interface SignInRecord {
  readonly id: number;
  readonly kind: 'person' | 'house';
  readonly personId: number | null;
  readonly role: Role | null;
  /** Its person is no more of the house. */
  readonly removed: boolean;
  readonly holderId: number | null;
  readonly holderRole: Role | null;
  readonly ended: boolean;
  readonly seen_ms: number;
}

/** Whether people have to sign in at all, and the device of a token. */
export interface Access {
  readonly asked: boolean;
  readonly signIn: SignInRecord | null;
}

/** What a call is let in by, in one question. @param tokenHash null: it brings none */
export async function readAccess(db: Db, tokenHash: Buffer | null): Promise<Access> {
  const [row] = await rows(
    db,
    `SELECT EXISTS (SELECT FROM accounts) AS asked, s.id, s.kind, s.person_id, p.role, p.retired_on IS NOT NULL AS removed,
       h.id AS holder_id, h.role AS holder_role, (s.ended_at IS NOT NULL OR s.ends_at <= now()) AS ended, s.seen_at
     FROM (SELECT 1) one LEFT JOIN sign_ins s ON s.token_hash = $1
     LEFT JOIN people p ON p.id = s.person_id LEFT JOIN people h ON h.id = s.holder_id AND h.retired_on IS NULL`,
    [tokenHash],
  );
  const r = row!;
  return {
    asked: r['asked'] as boolean,
    signIn:
      r['id'] === null
        ? null
        : {
            id: r['id'] as number,
            kind: r['kind'] as SignInRecord['kind'],
            personId: r['person_id'] as number | null,
            role: r['role'] as Role | null,
            removed: r['person_id'] !== null && (r['removed'] as boolean),
            holderId: r['holder_id'] as number | null,
            holderRole: r['holder_role'] as Role | null,
            ended: r['ended'] as boolean,
            seen_ms: ms(r['seen_at'])!,
          },
  };
}

/** A device was seen: it stays signed in from now on. */
export async function touchSignIn(db: Db, id: number, days: number): Promise<void> {
  await run(
    db,
    `UPDATE sign_ins SET seen_at = now(), ends_at = greatest(ends_at, least(now() + make_interval(days => $2), begun_at + interval '2 years'))
     WHERE id = $1 AND ended_at IS NULL`,
    [id, days],
  );
}

export interface NewSignIn {
  readonly tokenHash: Buffer;
  readonly kind: 'person' | 'house';
  readonly personId: number | null;
  readonly device: string;
  readonly days: number;
}

export async function insertSignIn(db: Db, one: NewSignIn, transaction: In = null): Promise<number> {
  const [row] = await rows(
    db,
    `INSERT INTO sign_ins (token_hash, kind, person_id, device, ends_at) VALUES ($1, $2, $3, $4, now() + make_interval(days => $5)) RETURNING id`,
    [one.tokenHash, one.kind, one.personId, one.device, one.days],
    transaction,
  );
  return row!['id'] as number;
}

/** Signs devices out: one, or all of a person. @returns how many */
export async function endSignIns(
  db: Db,
  of: { id: number } | { personId: number },
  transaction: In = null,
): Promise<number> {
  const ended = await rows(
    db,
    `UPDATE sign_ins SET ended_at = now() WHERE ended_at IS NULL AND ${'id' in of ? 'id' : 'person_id'} = $1 RETURNING id`,
    ['id' in of ? of.id : of.personId],
    transaction,
  );
  return ended.length;
}

export async function readSignIns(db: Db): Promise<readonly Omit<SignInView, 'here'>[]> {
  const found = await rows(
    db,
    `SELECT s.id, s.kind, s.person_id, s.device, s.begun_at, s.seen_at FROM sign_ins s LEFT JOIN people p ON p.id = s.person_id
     WHERE s.ended_at IS NULL AND s.ends_at > now() AND p.retired_on IS NULL ORDER BY s.seen_at DESC LIMIT 200`,
  );
  return found.map((r) => ({
    id: r['id'] as number,
    kind: r['kind'] as 'person' | 'house',
    personId: r['person_id'] as number | null,
    device: r['device'] as string,
    begun_ms: ms(r['begun_at'])!,
    seen_ms: ms(r['seen_at'])!,
  }));
}

/** Whose hands a tablet of the house is in. */
export async function setHolder(db: Db, signInId: number, personId: number | null): Promise<void> {
  await run(db, `UPDATE sign_ins SET holder_id = $2, held_at = now() WHERE id = $1`, [signInId, personId]);
}

/** How a person signs in. */
export interface Account {
  readonly personId: number;
  readonly login: string;
  readonly passwordHash: string;
  readonly pinHash: string | null;
  readonly removed: boolean;
}
const ACCOUNT = `SELECT a.person_id, a.login, a.password_hash, a.pin_hash, p.retired_on IS NOT NULL AS removed
  FROM accounts a JOIN people p ON p.id = a.person_id`;
const accountOf = (r: Record<string, unknown>): Account => ({
  personId: r['person_id'] as number,
  login: r['login'] as string,
  passwordHash: r['password_hash'] as string,
  pinHash: r['pin_hash'] as string | null,
  removed: r['removed'] as boolean,
});

export async function accountBy(
  db: Db,
  by: { readonly login: string } | { readonly personId: number },
  transaction: In = null,
): Promise<Account | null> {
  const [row] = await rows(
    db,
    `${ACCOUNT} WHERE ${'login' in by ? 'a.login' : 'a.person_id'} = $1`,
    ['login' in by ? by.login : by.personId],
    transaction,
  );
  return row ? accountOf(row) : null;
}

/** Who has an account, a PIN, passkeys. */
export async function readAccounts(
  db: Db,
): Promise<readonly { personId: number; login: string; pin: boolean; passkeys: number }[]> {
  const found = await rows(
    db,
    `SELECT a.person_id, a.login, a.pin_hash IS NOT NULL AS pin, (SELECT count(*)::integer FROM passkeys k WHERE k.person_id = a.person_id) AS passkeys
     FROM accounts a`,
  );
  return found.map((r) => ({
    personId: r['person_id'] as number,
    login: r['login'] as string,
    pin: r['pin'] as boolean,
    passkeys: r['passkeys'] as number,
  }));
}

/** Makes an account, or gives it another name and password; a PIN stays. @returns whether another has the name */
export async function writeAccount(
  db: Db,
  one: { personId: number; login: string; email: string | null; passwordHash: string },
  transaction: Transaction,
): Promise<'written' | 'taken'> {
  const taken = await accountBy(db, { login: one.login }, transaction);
  if (taken && taken.personId !== one.personId) return 'taken';
  await run(
    db,
    `INSERT INTO accounts (person_id, login, email, password_hash) VALUES ($1, $2, $3, $4)
     ON CONFLICT (person_id) DO UPDATE SET login = excluded.login, email = coalesce(excluded.email, accounts.email),
       password_hash = excluded.password_hash, changed_at = now()`,
    [one.personId, one.login, one.email, one.passwordHash],
    transaction,
  );
  return 'written';
}

export async function setSecret(
  db: Db,
  personId: number,
  secret: { readonly passwordHash: string } | { readonly pinHash: string },
  transaction: In = null,
): Promise<void> {
  const [column, value] = 'pinHash' in secret ? ['pin_hash', secret.pinHash] : ['password_hash', secret.passwordHash];
  await run(
    db,
    `UPDATE accounts SET ${column} = $2, changed_at = now() WHERE person_id = $1`,
    [personId, value],
    transaction,
  );
}

/** The first owner as a person of the house, where nobody has that name yet. */
export async function ownerPerson(
  db: Db,
  one: { name: string; initials: string; mark: string },
  transaction: Transaction,
): Promise<number> {
  const [row] = await rows(
    db,
    `INSERT INTO people (name, initials, mark, role) VALUES ($1, $2, $3, 'owner')
     ON CONFLICT (lower(name)) DO UPDATE SET role = 'owner', retired_on = NULL, version = people.version + 1 RETURNING id`,
    [one.name, one.initials, one.mark],
    transaction,
  );
  return row!['id'] as number;
}

export type Purpose = 'owner' | 'join' | 'tablet' | 'challenge';

/** Keeps a key that works once. */
export async function insertKey(
  db: Db,
  one: { keyHash: Buffer; purpose: Purpose; personId: number | null; minutes: number },
  transaction: In = null,
): Promise<void> {
  // Another link for the same person takes the place of the one before.
  if (one.purpose === 'join')
    await run(
      db,
      `UPDATE one_time_keys SET used_at = now() WHERE purpose = 'join' AND person_id = $1 AND used_at IS NULL`,
      [one.personId],
      transaction,
    );
  await run(
    db,
    `INSERT INTO one_time_keys (key_hash, purpose, person_id, ends_at) VALUES ($1, $2, $3, now() + make_interval(mins => $4))
     ON CONFLICT (key_hash) DO NOTHING`,
    [one.keyHash, one.purpose, one.personId, one.minutes],
    transaction,
  );
}

/** Uses a key up. null: there is none, it was used, or its time is over. */
export async function useKey(
  db: Db,
  keyHash: Buffer,
  purposes: readonly Purpose[],
  transaction: In = null,
): Promise<{ readonly purpose: Purpose; readonly personId: number | null } | null> {
  const [row] = await rows(
    db,
    `UPDATE one_time_keys SET used_at = now() WHERE key_hash = $1 AND used_at IS NULL AND ends_at > now() AND purpose = ANY ($2)
     RETURNING purpose, person_id`,
    [keyHash, [...purposes]],
    transaction,
  );
  return row ? { purpose: row['purpose'] as Purpose, personId: row['person_id'] as number | null } : null;
}

/** A passkey as it is kept. */
export interface Passkey {
  readonly id: number;
  readonly personId: number;
  readonly credentialId: string;
  readonly publicKey: Buffer;
  readonly counter: number;
  readonly name: string;
  readonly made_ms: number;
  readonly used_ms: number | null;
}
const passkeyOf = (r: Record<string, unknown>): Passkey => ({
  id: r['id'] as number,
  personId: r['person_id'] as number,
  credentialId: r['credential_id'] as string,
  publicKey: r['public_key'] as Buffer,
  counter: Number(r['counter']),
  name: r['name'] as string,
  made_ms: ms(r['made_at'])!,
  used_ms: ms(r['used_at']),
});

export async function passkeysOf(db: Db, personId: number): Promise<readonly Passkey[]> {
  return (await rows(db, 'SELECT * FROM passkeys WHERE person_id = $1 ORDER BY id', [personId])).map(passkeyOf);
}
export async function passkeyBy(db: Db, credentialId: string): Promise<Passkey | null> {
  const [row] = await rows(
    db,
    'SELECT k.* FROM passkeys k JOIN people p ON p.id = k.person_id WHERE k.credential_id = $1 AND p.retired_on IS NULL',
    [credentialId],
  );
  return row ? passkeyOf(row) : null;
}
export async function insertPasskey(
  db: Db,
  one: Pick<Passkey, 'personId' | 'credentialId' | 'counter' | 'name'> & { readonly publicKey: Uint8Array },
  transaction: Transaction,
): Promise<number> {
  const [row] = await rows(
    db,
    'INSERT INTO passkeys (person_id, credential_id, public_key, counter, name) VALUES ($1, $2, $3, $4, $5) RETURNING id',
    [one.personId, one.credentialId, Buffer.from(one.publicKey), one.counter, one.name],
    transaction,
  );
  return row!['id'] as number;
}
export async function usedPasskey(db: Db, id: number, counter: number): Promise<void> {
  await run(db, 'UPDATE passkeys SET counter = $2, used_at = now() WHERE id = $1', [id, counter]);
}
/** @returns whether it was there */
export async function deletePasskey(db: Db, id: number, personId: number, transaction: In = null): Promise<boolean> {
  const gone = await rows(
    db,
    'DELETE FROM passkeys WHERE id = $1 AND person_id = $2 RETURNING id',
    [id, personId],
    transaction,
  );
  return gone.length > 0;
}

const AUDIT_PAGE = 100;
/** The audit list, the last first. @param before lines older than this one */
export async function readAudit(db: Db, before: number | null): Promise<readonly AuditLine[]> {
  const found = await rows(
    db,
    `SELECT * FROM audit WHERE $1::bigint IS NULL OR id < $1 ORDER BY id DESC LIMIT ${AUDIT_PAGE}`,
    [before],
  );
  return found.map((r) => ({
    id: Number(r['id']),
    at_ms: ms(r['at'])!,
    authorId: r['author_id'] as number | null,
    what: r['what'] as string,
    done: r['done'] as AuditLine['done'],
    rowId: r['row_id'] as number | null,
    old: r['old'] as AuditLine['old'],
    new: r['new'] as AuditLine['new'],
  }));
}
