import type { Sequelize } from 'sequelize';

/** Heated zones, their sensors and readings, overrides of the set-point, alarms, calibrations, orders to devices. */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    CREATE TABLE heat_settings (
      id integer PRIMARY KEY CHECK (id = 1),
      version integer NOT NULL DEFAULT 1 CHECK (version >= 1),
      tariff jsonb NOT NULL CHECK (jsonb_typeof(tariff) = 'object'),
      co2_kg_kwh double precision NOT NULL CHECK (co2_kg_kwh BETWEEN 0 AND 5),
      quiet jsonb NOT NULL CHECK (jsonb_typeof(quiet) = 'object'),
      keep_months integer NOT NULL DEFAULT 24 CHECK (keep_months BETWEEN 1 AND 240)
    );
    INSERT INTO heat_settings (id, tariff, co2_kg_kwh, quiet) VALUES
      (1, '{"kind":"flat","price_kWh":0.26}', 0.2, '{"from_h":22,"to_h":6,"repeat_min":10}');

    CREATE TABLE heat_zones (
      id serial PRIMARY KEY,
      version integer NOT NULL DEFAULT 1 CHECK (version >= 1),
      place_id integer NOT NULL UNIQUE REFERENCES places,
      device text NOT NULL UNIQUE CHECK (device ~ '^[a-z0-9-]{1,40}$'),
      spec jsonb NOT NULL CHECK (jsonb_typeof(spec) = 'object'),
      fitted jsonb CHECK (fitted IS NULL OR jsonb_typeof(fitted) = 'object')
    );
    CREATE TABLE heat_sensors (
      id serial PRIMARY KEY,
      zone_id integer REFERENCES heat_zones ON DELETE CASCADE,
      role text NOT NULL CHECK (role IN ('medium', 'bed', 'air', 'outside', 'heater', 'set')),
      offset_k double precision NOT NULL DEFAULT 0 CHECK (offset_k BETWEEN -10 AND 10),
      checked_on date,
      due_on date,
      CHECK ((zone_id IS NULL) = (role = 'outside'))
    );
    CREATE UNIQUE INDEX heat_sensors_one ON heat_sensors (coalesce(zone_id, 0), role);

    CREATE TABLE readings (
      sensor_id integer NOT NULL,
      at timestamptz NOT NULL,
      value real NOT NULL CHECK (value BETWEEN -60 AND 130),
      PRIMARY KEY (sensor_id, at)
    ) PARTITION BY RANGE (at);
    CREATE TABLE reading_tiers (
      minutes smallint NOT NULL CHECK (minutes IN (10, 60, 360)),
      sensor_id integer NOT NULL,
      at timestamptz NOT NULL,
      n integer NOT NULL CHECK (n >= 1),
      low real NOT NULL,
      mean real NOT NULL,
      high real NOT NULL,
      PRIMARY KEY (minutes, sensor_id, at)
    );
    CREATE TABLE readings_dirty (
      sensor_id integer NOT NULL,
      at timestamptz NOT NULL,
      PRIMARY KEY (sensor_id, at)
    );

    CREATE TABLE heat_overrides (
      id serial PRIMARY KEY,
      zone_id integer NOT NULL REFERENCES heat_zones ON DELETE CASCADE,
      set_c double precision CHECK (set_c BETWEEN -10 AND 60),
      from_at timestamptz NOT NULL,
      until_at timestamptz NOT NULL,
      by_whom text NOT NULL CHECK (length(by_whom) BETWEEN 1 AND 60),
      why text NOT NULL DEFAULT '' CHECK (length(why) <= 200),
      ended_at timestamptz,
      idempotency_key uuid NOT NULL UNIQUE,
      CHECK (until_at > from_at)
    );
    CREATE TABLE set_point_log (
      id bigserial PRIMARY KEY,
      zone_id integer NOT NULL,
      at timestamptz NOT NULL,
      set_c double precision,
      came_from text NOT NULL CHECK (came_from IN ('plan', 'override', 'off')),
      by_whom text NOT NULL,
      why text NOT NULL
    );
    CREATE INDEX set_point_log_zone ON set_point_log (zone_id, id DESC);

    CREATE TABLE alarms (
      id serial PRIMARY KEY,
      zone_id integer REFERENCES heat_zones ON DELETE CASCADE,
      kind text NOT NULL,
      raised_at timestamptz NOT NULL,
      cleared_at timestamptz,
      taken_at timestamptz,
      taken_by text CHECK (length(taken_by) BETWEEN 1 AND 60),
      sounded_at timestamptz,
      evidence jsonb NOT NULL DEFAULT '[]',
      CHECK ((taken_at IS NULL) = (taken_by IS NULL))
    );
    CREATE UNIQUE INDEX alarms_open ON alarms (coalesce(zone_id, 0), kind) WHERE cleared_at IS NULL;

    CREATE TABLE calibrations (
      id serial PRIMARY KEY,
      sensor_id integer NOT NULL REFERENCES heat_sensors ON DELETE CASCADE,
      at timestamptz NOT NULL,
      method text NOT NULL CHECK (method IN ('ice', 'compare')),
      offset_k double precision NOT NULL CHECK (offset_k BETWEEN -10 AND 10),
      spread_k double precision NOT NULL CHECK (spread_k >= 0),
      by_whom text NOT NULL CHECK (length(by_whom) BETWEEN 1 AND 60)
    );
    CREATE TABLE device_orders (
      id bigserial PRIMARY KEY,
      device text NOT NULL,
      topic text NOT NULL CHECK (topic IN ('break')),
      body jsonb NOT NULL
    );
    CREATE TABLE heat_status (
      zone_id integer PRIMARY KEY REFERENCES heat_zones ON DELETE CASCADE,
      at timestamptz NOT NULL,
      status jsonb NOT NULL
    );

    CREATE TRIGGER set_point_log_append_only BEFORE UPDATE OR DELETE ON set_point_log
      FOR EACH ROW EXECUTE FUNCTION log_is_append_only();
    CREATE TRIGGER calibrations_append_only BEFORE UPDATE ON calibrations
      FOR EACH ROW EXECUTE FUNCTION log_is_append_only();
  `);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query(`
    DROP TABLE heat_status, device_orders, calibrations, alarms, set_point_log, heat_overrides, readings_dirty,
      reading_tiers, readings, heat_sensors, heat_zones, heat_settings;
  `);
}
