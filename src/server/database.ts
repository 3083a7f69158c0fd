import type { Sequelize } from 'sequelize';
import { connect } from '../db/connect.ts';
import { readConfig } from './config.ts';

const held = globalThis as { crookDatabase?: Sequelize };

/** The one pool of this process, kept across reloads while developing. */
export function database(): Sequelize {
  held.crookDatabase ??= connect(readConfig(process.env).databaseUrl);
  return held.crookDatabase;
}
