import type { Sequelize } from 'sequelize';
import { connect } from '../db/connect.ts';
import { readConfig } from './config.ts';

// By the module's own address: what bin/serve.ts loads beside the built application has models of its own.
const KEY = `crookDatabase ${import.meta.url}`;
const held = globalThis as unknown as Record<string, Sequelize | undefined>;

/** The one pool of this process, kept across reloads while developing. */
export function database(): Sequelize {
  return (held[KEY] ??= connect(readConfig(process.env).databaseUrl));
}
