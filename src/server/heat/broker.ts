import { timingSafeEqual } from 'node:crypto';
import { createServer } from 'node:net';
import { Aedes, type Client } from 'aedes';
import { connectAsync } from 'mqtt';
import { WORDS } from '../../words/en/heat/broker.ts';

/** What came on a topic. Resolves once it is safe (or is not wanted); only then is it acknowledged to the device. */
export type Receive = (topic: string, payload: Uint8Array) => Promise<void>;

/** The way to the devices, through the broker of our own or one outside. */
export interface Link {
  readonly port: number | null;
  publish(topic: string, payload: string, retain: boolean): Promise<void>;
  stop(): Promise<void>;
}

export interface BrokerOptions {
  readonly host: string;
  /** 0 = any free one. */
  readonly port: number;
  readonly user: string;
  readonly password: string;
  readonly receive: Receive;
  readonly refused: (why: string) => void;
}

/** Largest message of a device. */
export const MESSAGE_BYTES = 8 * 1024;
const TOPIC = /^crook\/1\/([a-z0-9-]{1,40})\/(readings|state|weight)$/;

/** A broker of our own, on loopback unless told otherwise, with user and password. */
export async function startBroker(options: BrokerOptions): Promise<Link> {
  const broker = await Aedes.createBroker({
    id: 'crook',
    keepaliveLimit: 300,
    authenticate: (_client: Client, username, password, done) => {
      const ok = username === options.user && same(password?.toString() ?? '', options.password);
      if (!ok) options.refused(WORDS.aDeviceCalledWithThe(String(username).slice(0, 40)));
      done(null, ok);
    },
    authorizePublish: (client, packet, done) => {
      if (client === null) return done(null);
      if (!TOPIC.test(packet.topic) || packet.payload.length > MESSAGE_BYTES) {
        options.refused(WORDS.aMessageOnOfBytes(packet.topic.slice(0, 60), packet.payload.length));
        // Acknowledged and dropped: a device that sends nonsense would otherwise send it for ever.
        packet.topic = 'crook/1/refused';
        packet.payload = Buffer.alloc(0);
        packet.retain = false;
        return done(null);
      }
      options.receive(packet.topic, packet.payload as Uint8Array).then(
        () => done(null),
        (error: Error) => done(error),
      );
    },
    authorizeSubscribe: (_client, subscription, done) =>
      done(null, /^crook\/1\/[a-z0-9-]{1,40}\/(config|break)$/.test(subscription.topic) ? subscription : null),
  });
  const server = createServer(broker.handle);
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(options.port, options.host, resolve);
  });
  const address = server.address();
  return {
    port: typeof address === 'object' && address ? address.port : null,
    publish: (topic, payload, retain) =>
      new Promise((resolve, reject) =>
        broker.publish({ cmd: 'publish', topic, payload: Buffer.from(payload), qos: 1, retain, dup: false }, (error) =>
          error ? reject(error) : resolve(),
        ),
      ),
    stop: async () => {
      await new Promise<void>((resolve) => broker.close(resolve));
      await new Promise<void>((resolve) => server.close(() => resolve()));
    },
  };
}

/** A broker of the house, by its address; messages are acknowledged to it only once they are safe. */
export async function joinBroker(url: string, receive: Receive, refused: (why: string) => void): Promise<Link> {
  const client = await connectAsync(url, {
    protocolVersion: 4,
    clean: false,
    clientId: 'crook-server',
    reconnectPeriod: 2000,
  });
  client.handleMessage = (packet, done) => {
    const payload = typeof packet.payload === 'string' ? Buffer.from(packet.payload) : packet.payload;
    if (!TOPIC.test(packet.topic) || payload.length > MESSAGE_BYTES) {
      refused(WORDS.aMessageOnWasNot(packet.topic.slice(0, 60)));
      return done();
    }
    receive(packet.topic, payload).then(
      () => done(),
      (error: Error) => done(error),
    );
  };
  await client.subscribeAsync(['crook/1/+/readings', 'crook/1/+/state', 'crook/1/+/weight'], { qos: 1 });
  return {
    port: null,
    publish: async (topic, payload, retain) => void (await client.publishAsync(topic, payload, { qos: 1, retain })),
    stop: async () => client.endAsync(),
  };
}

function same(a: string, b: string): boolean {
  const [x, y] = [Buffer.from(a), Buffer.from(b)];
  return x.length === y.length && timingSafeEqual(x, y);
}
