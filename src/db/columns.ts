import { Model, type InferAttributes, type ModelAttributeColumnOptions, DataTypes, type Sequelize } from 'sequelize';

export type Columns<M extends Model> = Record<keyof InferAttributes<M>, ModelAttributeColumnOptions>;

export const column = (type: ModelAttributeColumnOptions['type'], field: string, allowNull = false) => ({
  type,
  field,
  allowNull,
});

export const figure = (field: string, allowNull = false) => column(DataTypes.DOUBLE, field, allowNull);

export const whole = (field: string, allowNull = false) => column(DataTypes.INTEGER, field, allowNull);

export const text = (field: string, allowNull = false) => column(DataTypes.TEXT, field, allowNull);

export const flag = (field: string, allowNull = false) => column(DataTypes.BOOLEAN, field, allowNull);

export const day = (field: string, allowNull = false) => column(DataTypes.DATEONLY, field, allowNull);

export const json = (field: string, allowNull = false) => column(DataTypes.JSONB, field, allowNull);

export const id = { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true };

export const version = { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 };

/** How each table is defined on a connection. */
export const tableOn = (sequelize: Sequelize) => (tableName: string) => ({ sequelize, tableName, timestamps: false });
