import pg from 'pg';
import { Sequelize } from 'sequelize';
import { defineBatchModels } from './batch/models.ts';
import { defineBookModels } from './books/models.ts';
import { defineHouseModels } from './house/models.ts';
import { defineWaterModels } from './watering/models.ts';
import { defineHardeningModels } from './hardening/models.ts';
import { definePottingModels } from './potting/models.ts';

/** A pool on a PostgreSQL address, with the models defined on it. */
export function connect(url: string): Sequelize {
  const db = new Sequelize(url, {
    dialect: 'postgres',
    dialectModule: pg,
    logging: false,
    pool: { max: 8, min: 0, acquire: 12_000, idle: 30_000 },
    dialectOptions: {
      // Longer than this process is ever busy with sums: its own delay must not pass for a database that is away.
      connectionTimeoutMillis: 8_000,
      statement_timeout: 20_000,
      application_name: 'crook',
      // Compiling a query takes longer than any of these takes to run.
      options: '-c jit=off',
    },
    retry: { max: 1 },
  });
  defineHouseModels(db);
  defineWaterModels(db);
  defineBookModels(db);
  defineBatchModels(db);
  definePottingModels(db);
  defineHardeningModels(db);
  return db;
}
