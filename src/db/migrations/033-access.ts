import type { Sequelize } from 'sequelize';

/** Tables whose changes are kept in the audit list, and what of their rows is a secret or says nothing. */
const AUDITED: Readonly<Record<string, string>> = {
  people: '',
  accounts: 'password_hash pin_hash changed_at',
  passkeys: 'public_key counter used_at made_at',
  one_time_keys: 'key_hash made_at made_by',
  sign_ins: 'token_hash seen_at holder_id held_at begun_at ends_at kind',
  nursery: 'demo_clock feed_key',
  heat_settings: '',
  heat_zones: 'fitted',
  heat_sensors: '',
  heat_overrides: 'idempotency_key',
  place_set_points: '',
};

/**
 * Roles of people, how they sign in, devices that are signed in, links and challenges that work once, how often something was tried, and
 * the audit list: every change of people, ways in, settings, set-points and what keeps heat safe, which nobody can edit.
 */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE people ADD COLUMN role text NOT NULL DEFAULT 'grower' CHECK (role IN ('guest', 'hand', 'grower', 'owner'));
    CREATE TABLE accounts (
      person_id integer PRIMARY KEY REFERENCES people ON DELETE CASCADE,
      login text NOT NULL CHECK (login = lower(login) AND length(login) BETWEEN 1 AND 120),
      email text CHECK (length(email) BETWEEN 3 AND 254),
      password_hash text NOT NULL CHECK (password_hash LIKE '$argon2id$%'),
      pin_hash text CHECK (pin_hash LIKE '$argon2id$%'),
      changed_at timestamptz NOT NULL DEFAULT now()
    );
    CREATE UNIQUE INDEX accounts_login ON accounts (login);
    CREATE TABLE passkeys (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      person_id integer NOT NULL REFERENCES accounts ON DELETE CASCADE,
      credential_id text NOT NULL UNIQUE CHECK (length(credential_id) BETWEEN 1 AND 1400),
      public_key bytea NOT NULL,
      counter bigint NOT NULL DEFAULT 0 CHECK (counter >= 0),
      name text NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
      made_at timestamptz NOT NULL DEFAULT now(),
      used_at timestamptz
    );
    CREATE TABLE sign_ins (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      token_hash bytea NOT NULL UNIQUE CHECK (length(token_hash) = 32),
      kind text NOT NULL CHECK (kind IN ('person', 'house')),
      person_id integer REFERENCES people ON DELETE CASCADE,
      holder_id integer REFERENCES people ON DELETE SET NULL,
      held_at timestamptz,
      device text NOT NULL DEFAULT '' CHECK (length(device) <= 80),
      begun_at timestamptz NOT NULL DEFAULT now(),
      seen_at timestamptz NOT NULL DEFAULT now(),
      ends_at timestamptz NOT NULL,
      ended_at timestamptz,
      CONSTRAINT sign_ins_whose CHECK ((kind = 'person') = (person_id IS NOT NULL)),
      CONSTRAINT sign_ins_holder CHECK (kind = 'house' OR holder_id IS NULL)
    );
    CREATE INDEX sign_ins_person ON sign_ins (person_id) WHERE ended_at IS NULL;
    CREATE TABLE one_time_keys (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      key_hash bytea NOT NULL UNIQUE CHECK (length(key_hash) = 32),
      purpose text NOT NULL CHECK (purpose IN ('owner', 'join', 'tablet', 'challenge')),
      person_id integer REFERENCES people ON DELETE CASCADE,
      made_by integer DEFAULT writing_person() REFERENCES people ON DELETE SET NULL,
      made_at timestamptz NOT NULL DEFAULT now(),
      ends_at timestamptz NOT NULL CHECK (ends_at > made_at),
      used_at timestamptz,
      CONSTRAINT one_time_keys_whose CHECK ((purpose = 'join') = (person_id IS NOT NULL) OR purpose = 'challenge')
    );
    CREATE TABLE rate_limits (key varchar(255) PRIMARY KEY, points integer NOT NULL DEFAULT 0, expire bigint);

    CREATE TABLE audit (
      id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      at timestamptz NOT NULL DEFAULT now(),
      author_id integer DEFAULT writing_person(),
      what text NOT NULL CHECK (length(what) BETWEEN 1 AND 40),
      done text NOT NULL CHECK (done IN ('made', 'changed', 'removed')),
      row_id integer,
      old jsonb NOT NULL DEFAULT '{}',
      new jsonb NOT NULL DEFAULT '{}'
    );
    CREATE TRIGGER audit_append_only BEFORE UPDATE OR DELETE ON audit
      FOR EACH ROW EXECUTE FUNCTION log_is_append_only();
    CREATE FUNCTION audit_row() RETURNS trigger LANGUAGE plpgsql AS $$
      DECLARE
        hidden text[] := string_to_array(TG_ARGV[0], ' ') || ARRAY['version'];
        was jsonb := CASE WHEN TG_OP = 'INSERT' THEN '{}' ELSE to_jsonb(OLD) END;
        is_now jsonb := CASE WHEN TG_OP = 'DELETE' THEN '{}' ELSE to_jsonb(NEW) END;
        secret text;
        o jsonb;
        n jsonb;
      BEGIN
        IF current_setting('crook.no_audit', true) = 'on' THEN RETURN NULL; END IF;
        SELECT coalesce(jsonb_object_agg(key, value), '{}') INTO o FROM jsonb_each(was)
          WHERE value IS DISTINCT FROM is_now -> key AND key <> ALL (hidden);
        SELECT coalesce(jsonb_object_agg(key, value), '{}') INTO n FROM jsonb_each(is_now)
          WHERE value IS DISTINCT FROM was -> key AND key <> ALL (hidden);
        -- That a secret was changed is said, not what it is.
        FOREACH secret IN ARRAY ARRAY['password_hash', 'pin_hash', 'feed_key'] LOOP
          IF TG_OP = 'UPDATE' AND is_now ? secret AND was -> secret IS DISTINCT FROM is_now -> secret
            THEN n := n || jsonb_build_object(replace(secret, '_hash', ''), 'changed');
          END IF;
        END LOOP;
        IF TG_OP = 'UPDATE' AND o = '{}' AND n = '{}' THEN RETURN NULL; END IF;
        -- Whose it is, is said with each change of it.
        IF is_now ? 'person_id' THEN n := n || jsonb_build_object('person_id', is_now -> 'person_id'); END IF;
        INSERT INTO audit (what, done, row_id, old, new) VALUES (
          TG_TABLE_NAME,
          CASE TG_OP WHEN 'INSERT' THEN 'made' WHEN 'UPDATE' THEN 'changed' ELSE 'removed' END,
          coalesce(is_now ->> 'id', was ->> 'id', is_now ->> 'person_id', was ->> 'person_id', is_now ->> 'place_id', was ->> 'place_id')::integer,
          o, n
        );
        RETURN NULL;
      END $$;

    -- Whoever is removed is signed out: brought back, they sign in anew.
    CREATE FUNCTION sign_out_removed() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN UPDATE sign_ins SET ended_at = now() WHERE person_id = NEW.id AND ended_at IS NULL; RETURN NULL; END $$;
    CREATE TRIGGER people_sign_out AFTER UPDATE OF retired_on ON people
      FOR EACH ROW WHEN (NEW.retired_on IS NOT NULL AND OLD.retired_on IS NULL) EXECUTE FUNCTION sign_out_removed();

    CREATE FUNCTION keep_an_owner() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF EXISTS (SELECT FROM accounts) AND NOT EXISTS (
          SELECT FROM accounts a JOIN people p ON p.id = a.person_id WHERE p.role = 'owner' AND p.retired_on IS NULL)
        THEN RAISE EXCEPTION 'an owner who can sign in must remain' USING ERRCODE = '23514', CONSTRAINT = 'an_owner_remains';
        END IF;
        RETURN NULL;
      END $$;
    CREATE CONSTRAINT TRIGGER people_an_owner AFTER UPDATE OR DELETE ON people
      DEFERRABLE INITIALLY IMMEDIATE FOR EACH ROW EXECUTE FUNCTION keep_an_owner();
    CREATE CONSTRAINT TRIGGER accounts_an_owner AFTER INSERT OR UPDATE OR DELETE ON accounts
      DEFERRABLE INITIALLY IMMEDIATE FOR EACH ROW EXECUTE FUNCTION keep_an_owner();
  `);
  for (const [table, hidden] of Object.entries(AUDITED)) {
    // Each reading of a challenge and each look of a device is no change of anything.
    const of = table === 'one_time_keys' ? `WHEN (NEW.purpose <> 'challenge')` : '';
    await db.query(`
      CREATE TRIGGER ${table}_audit_made AFTER INSERT ON ${table} FOR EACH ROW ${of} EXECUTE FUNCTION audit_row('${hidden}');
      CREATE TRIGGER ${table}_audit_changed AFTER UPDATE ON ${table} FOR EACH ROW ${of} EXECUTE FUNCTION audit_row('${hidden}');
    `);
    if (table !== 'one_time_keys')
      await db.query(
        `CREATE TRIGGER ${table}_audit_removed AFTER DELETE ON ${table} FOR EACH ROW EXECUTE FUNCTION audit_row('${hidden}')`,
      );
  }
}

export async function down(db: Sequelize): Promise<void> {
  for (const table of Object.keys(AUDITED)) {
    await db.query(`
      DROP TRIGGER ${table}_audit_made ON ${table};
      DROP TRIGGER ${table}_audit_changed ON ${table};
      DROP TRIGGER IF EXISTS ${table}_audit_removed ON ${table};
    `);
  }
  await db.query(`
    DROP TRIGGER people_an_owner ON people;
    DROP TRIGGER people_sign_out ON people;
    DROP TABLE passkeys, accounts, sign_ins, one_time_keys, rate_limits, audit;
    DROP FUNCTION keep_an_owner(); DROP FUNCTION sign_out_removed(); DROP FUNCTION audit_row();
    ALTER TABLE people DROP COLUMN role;
  `);
}
