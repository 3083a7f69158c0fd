import './production.ts';
import { createServer, type IncomingHttpHeaders, type RequestListener } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { existsSync, readFileSync } from 'node:fs';
import compression from 'compression';
import { readConfig } from '../src/server/config.ts';
import { log } from '../src/server/log.ts';
import { connect } from '../src/db/connect.ts';
import { readWorld } from '../src/db/house/world.ts';
import { forecastJob } from '../src/server/weather/forecastJob.ts';
import { heatJobs } from '../src/server/heat/heatJobs.ts';
import { startJobs, type Job } from '../src/server/house/jobs.ts';
import { askForJob } from '../src/db/house/jobs.ts';
import { DEMO_WANTED } from '../src/server/house/askForDemo.ts';
import { httpProvider } from '../src/server/weather/forecastProvider.ts';
import { whatIsThere } from '../src/db/house/whatIsThere.ts';
import { Bridge } from '../src/server/heat/bridge.ts';
import { joinBroker, startBroker, type Link } from '../src/server/heat/broker.ts';
import { DEMO_SITE, DEMO_ZONES } from '../simulators/demoHeat.ts';
import { startWeatherService, type WeatherService } from '../simulators/weatherService.ts';
import { startScales } from '../simulators/scale.ts';
import { DEMO_SCALES } from '../simulators/demoWater.ts';
import { startBenches } from '../simulators/bench/devices.ts';
import { coverOn } from '../src/core/heat/yearHours.ts';
import { prepare } from './prepare.ts';

// Started by bin/start: brings the database up to date, sets up a nursery where there is none, serves until stopped.
const config = readConfig(process.env);

interface Entry {
  handler: (request: import('node:http').IncomingMessage, response: import('node:http').ServerResponse) => void;
}

/** The broker of the devices (or the house's own), the watch over them, and in the demo the simulated benches. */
async function startHeat(): Promise<() => Promise<void>> {
  const db = connect(config.databaseUrl);
  const bridge = new Bridge(db);
  const { mqtt, host } = config;
  const port = await bridge.start(async (receive): Promise<Link> => {
    const refused = (why: string) => bridge.refuse(why);
    if (mqtt.url !== null) return joinBroker(mqtt.url, receive, refused);
    const own = (at: number) =>
      startBroker({ host, port: at, user: mqtt.user, password: mqtt.password, receive, refused });
    if (mqtt.port !== null) return own(mqtt.port);
    return own(MQTT_PORT).catch((error: NodeJS.ErrnoException) => {
      if (error.code !== 'EADDRINUSE') throw error;
      log.warn({ port: MQTT_PORT }, 'the port of the devices is taken; set MQTT_PORT. Any free one is used now');
      return own(0);
    });
  });
  log.info({ host, port, outside: mqtt.url !== null }, 'devices may call');
  let stopBenches = async () => {};
  let stopScales = async () => {};
  if ((await whatIsThere()) === 'demo' && process.env['DEMO_BENCHES'] !== 'off') {
    const broker = { url: mqtt.url ?? `mqtt://${host}:${port}`, user: mqtt.user, password: mqtt.password };
    stopBenches = await startBenches({
      ...broker,
      benches: DEMO_ZONES.map(({ device, spec, set_C, drop_K }) => ({
        device,
        spec,
        setAt: (hour) => set_C - (coverOn(hour) ? drop_K : 0),
      })),
      site: DEMO_SITE,
      now_ms: () => bridge.now_ms(),
    });
    stopScales = await startScales({
      ...broker,
      scales: DEMO_SCALES,
      utcOffset_min: DEMO_SITE.utcOffset_min,
      now_ms: () => bridge.now_ms(),
    });
  }
  return async () => {
    await stopScales();
    await stopBenches();
    await bridge.stop();
    await db.close();
  };
}

/**
 * The jobs beside the pages. The forecast is asked for where a service is named in FORECAST_URL, or in the demo from the
 * one that ships; without either it is typed or read from files.
 */
async function startJobsBeside(): Promise<() => Promise<void>> {
  const db = connect(config.databaseUrl);
  const demo = (await whatIsThere()) === 'demo' && process.env['DEMO_FORECAST'] !== 'off';
  let forecast: Job | undefined;
  let service: WeatherService | null = null;
  if (config.forecastUrl !== null || demo) {
    const nursery = (await readWorld(db))!.nursery;
    if (config.forecastUrl === null) service = await startWeatherService({ ...nursery, name: DEMO_SERVICE });
    const at = { lat: nursery.latitude_deg, lon: nursery.longitude_deg };
    forecast = forecastJob(
      db,
      httpProvider(config.forecastUrl ?? service!.url, at, service ? DEMO_SERVICE : undefined),
    );
  }
  const jobs = await startJobs(config.databaseUrl, { ...heatJobs(db), ...(forecast ? { forecast } : {}) }, (name) =>
    askForJob(db, name),
  );
  if (forecast) {
    // A service that is quick has answered before the first page is asked for; one that is slow is not waited for.
    const asked = jobs.done('forecast', FIRST_ms);
    await askForJob(db, 'forecast');
    await asked;
  }
  return async () => {
    await jobs.stop();
    await service?.stop();
    await db.close();
  };
}

/** Longest wait for the first forecast at the start. */
const FIRST_ms = 2_000;
const DEMO_SERVICE = 'Underholt weather, simulated';
const MQTT_PORT = 4311;
/** How this process ends when it is to be started again with the demo. */
const AGAIN_WITH_DEMO = 75;

/**
 * What a proxy says of who calls is believed only where there is one: anybody can write such headers. Of a row of addresses the last is
 * the one the proxy itself saw.
 */
function believeProxy(headers: IncomingHttpHeaders, trusted: boolean): void {
  const last = (name: string) => [headers[name] ?? ''].flat().join(',').split(',').at(-1)!.trim();
  const [address, protocol] = [last('x-forwarded-for'), last('x-forwarded-proto')];
  for (const name of Object.keys(headers))
    if (/^(?:x-forwarded-|forwarded$|x-real-ip$)/.test(name)) delete headers[name];
  if (!trusted) return;
  if (address) headers['x-forwarded-for'] = address;
  if (protocol === 'https' || protocol === 'http') headers['x-forwarded-proto'] = protocol;
}

/** Has the season worked out before anybody asks: the first page of the day comes at once. */
async function workOutFirst(): Promise<void> {
  // With a certificate of the house's own the name would not be this one's.
  if (config.tls) return;
  const host = config.host.includes(':') ? `[${config.host}]` : config.host;
  try {
    await fetch(`http://${host}:${config.port}/house/sign-in`, { signal: AbortSignal.timeout(20_000) });
  } catch (error) {
    log.warn({ err: (error as Error).message }, 'the season was not worked out at the start');
  }
}

async function serve(): Promise<void> {
  const entryUrl = new URL('../dist/server/entry.mjs', import.meta.url);
  if (!existsSync(entryUrl)) throw new Error('the application is not built; start it with bin/start');
  process.env['ASTRO_NODE_AUTOSTART'] = 'disabled';
  const { handler } = (await import(entryUrl.href)) as Entry;
  // Level 4: nearly as small as 6 in half the time.
  const compress = compression({ level: 4 });
  const listen: RequestListener = (request, response) => {
    believeProxy(request.headers, config.trustProxy);
    compress(request as never, response as never, () => handler(request, response));
  };
  const { tls } = config;
  const server = tls
    ? createSecureServer({ cert: readFileSync(tls.certFile), key: readFileSync(tls.keyFile) }, listen)
    : createServer(listen);
  server.requestTimeout = 30_000;
  server.headersTimeout = 10_000;
  // A busy moment must not close a connection that the next call is already on.
  server.keepAliveTimeout = 75_000;
  server.on('error', (error: NodeJS.ErrnoException) => {
    const why = error.code === 'EADDRINUSE' ? `port ${config.port} is taken; set PORT to another` : error.message;
    process.stderr.write(`Crook cannot start: ${why}\n`);
    process.exit(1);
  });
  const stopJobs = await startJobsBeside().catch((error: Error) => {
    log.error({ err: error.message }, 'the jobs cannot be done; the rest runs');
    return async () => {};
  });
  await new Promise<void>((listening) => server.listen(config.port, config.host, listening));
  await workOutFirst();
  log.info({ host: config.host, port: config.port }, 'serving');
  process.send?.('ready');
  const stopHeat = await startHeat().catch((error: Error) => {
    log.error({ err: error.message }, 'the devices cannot be served; the rest runs');
    return async () => {};
  });
  const stop = (signal: string): void => {
    log.info({ signal }, 'stopping');
    void stopJobs().catch(() => undefined);
    void stopHeat().catch(() => undefined);
    server.close(() => process.exit());
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 4_000).unref();
  };
  // Asked for on the first page: it is set up when all of this process's own is put away, so in the next (bin/start).
  (process as NodeJS.EventEmitter).once(DEMO_WANTED, () => {
    process.exitCode = AGAIN_WITH_DEMO;
    stop(DEMO_WANTED);
  });
  process.on('SIGTERM', () => stop('SIGTERM'));
  process.on('SIGINT', () => stop('SIGINT'));
}

try {
  await prepare(config, new Set(process.argv.slice(2)));
  await serve();
} catch (error) {
  process.stderr.write(`Crook cannot start: ${(error as Error).message}\n`);
  process.exit(1);
}
