import { readConfig } from '../src/server/config.ts';
import { prepare } from './prepare.ts';

// Run by bin/dev before the development server.
await prepare(readConfig(process.env), new Set(process.argv.slice(2)));
