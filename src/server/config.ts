import { randomUUID } from 'node:crypto';

/** Settings from the environment, read once at each start. Nothing here is a secret kept in the repository. */
export interface Config {
  readonly databaseUrl: string;
  readonly host: string;
  readonly port: number;
  readonly logLevel: string;
  /** The devices' own broker: its port (null = 4311, or any free one when that is taken), user and password. */
  readonly mqtt: {
    readonly port: number | null;
    readonly user: string;
    readonly password: string;
    readonly url: string | null;
  };
  /** Address of a forecast service, {at}, {lat}, {lon} filled in; null = none. */
  readonly forecastUrl: string | null;
  /** Further host names the application answers to, such as a name in the house's own network. */
  readonly allowedHosts: readonly string[];
  /** Calls come through a proxy of the house, which says who calls and whether it is called over HTTPS. */
  readonly trustProxy: boolean;
  /** Files of the house's own certificate and its key; null: plain HTTP. */
  readonly tls: { readonly certFile: string; readonly keyFile: string } | null;
  /** Key of a link with which the first owner is made, from bin/start --owner; null: none. */
  readonly ownerKey: string | null;
}

/** @throws Error naming the setting when one is missing or wrong */
export function readConfig(env: Readonly<Record<string, string | undefined>>): Config {
  const databaseUrl = env['DATABASE_URL'];
  if (!databaseUrl) throw new Error('DATABASE_URL is not set; start with bin/start, which sets it');
  const port = Number(env['PORT'] ?? 4310);
  if (!(Number.isInteger(port) && port >= 1 && port <= 65_535))
    throw new Error(`PORT is "${env['PORT']}"; use 1 to 65535`);
  const [certFile, keyFile] = [env['TLS_CERT'], env['TLS_KEY']];
  if (!certFile !== !keyFile) throw new Error('TLS_CERT and TLS_KEY go together: name both files or neither');
  const ownerKey = env['OWNER_KEY'] || null;
  if (ownerKey !== null && !/^[\w-]{43}$/.test(ownerKey)) throw new Error('OWNER_KEY is not one of bin/start --owner');
  return {
    databaseUrl,
    host: env['HOST'] ?? '127.0.0.1',
    port,
    logLevel: env['LOG_LEVEL'] ?? 'info',
    mqtt: {
      port: env['MQTT_PORT'] ? Number(env['MQTT_PORT']) : null,
      user: env['MQTT_USER'] ?? 'crook',
      // Made anew at each start when none is set; bin/start keeps one in its state folder.
      password: env['MQTT_PASSWORD'] ?? randomUUID(),
      url: env['MQTT_URL'] ?? null,
    },
    forecastUrl: env['FORECAST_URL'] || null,
    allowedHosts: (env['ALLOWED_HOSTS'] ?? '').split(',').filter(Boolean),
    trustProxy: ['1', 'true', 'yes'].includes((env['TRUST_PROXY'] ?? '').toLowerCase()),
    tls: certFile && keyFile ? { certFile, keyFile } : null,
    ownerKey,
  };
}
