import { describe, expect, it } from 'vitest';
import type { FieldSpec } from './fields.ts';
import { figureOr, typedOf, typedTemperature, valuesOf } from './fields.ts';

const FIELDS: FieldSpec[] = [
  { key: 'name', label: 'Name', kind: 'text' },
  { key: 'note', label: 'Note', kind: 'text', optional: true },
  { key: 'room', label: 'Room', kind: 'number' },
  { key: 'warm_C', label: 'Warm', kind: 'temperature' },
  { key: 'worth_K', label: 'Worth', kind: 'difference' },
  { key: 'deep_mm', label: 'Deep', kind: 'length' },
  { key: 'lit', label: 'Lit', kind: 'flag' },
  { key: 'on', label: 'On', kind: 'date', optional: true },
];
const line = { name: 'Bench', note: '', room: 12.5, warm_C: 21.5, worth_K: 2, deep_mm: 6, lit: true, on: null };
const metric = { temperature: 'C', length: 'cm' } as const;
const other = { temperature: 'F', length: 'in' } as const;

describe('a line as it is typed', () => {
  it('is shown in the reader’s scales and sent in the book’s', () => {
    expect(typedOf(FIELDS, line, metric)).toMatchObject({
      room: '12.5',
      warm_C: '21.5',
      deep_mm: '0.6',
      lit: true,
      on: '',
    });
    expect(typedOf(FIELDS, line, other)).toMatchObject({ warm_C: '70.7', worth_K: '3.6', deep_mm: '0.24' });
    expect(valuesOf(FIELDS, typedOf(FIELDS, line, metric), metric)).toEqual(line);
    const back = valuesOf(FIELDS, typedOf(FIELDS, line, other), other);
    expect(back['warm_C']).toBeCloseTo(21.5, 1);
    expect(back['worth_K']).toBeCloseTo(2, 6);
    expect(back['deep_mm']).toBeCloseTo(6, 0);
  });

  it('litres are typed in gallons only of what is counted in litres', () => {
    const fields: FieldSpec[] = [
      { key: 'unit', label: 'Counted in', kind: 'text' },
      { key: 'pack', label: 'Pack', kind: 'number', measure: 'L', measureWhere: { key: 'unit', is: 'L' } },
    ];
    expect(typedOf(fields, { unit: 'L', pack: 50 }, other)).toEqual({ unit: 'L', pack: '13.21' });
    expect(typedOf(fields, { unit: 'pieces', pack: 50 }, other)).toEqual({ unit: 'pieces', pack: '50' });
    // Ten gallons of 3.785411784 litres (NIST SP 811); what was not touched goes back as it came.
    expect(valuesOf(fields, { unit: 'L', pack: '10' }, other)['pack']).toBeCloseTo(37.85, 2);
    const before = { unit: 'L', pack: 50 };
    expect(valuesOf(fields, { unit: 'L', pack: '13.21' }, other, before)['pack']).toBe(50);
    expect(valuesOf(fields, { unit: 'pieces', pack: '13.21' }, other, before)['pack']).toBe(13.21);
  });

  it('what is no figure goes as it was typed, so that the answer names the field and nothing is lost', () => {
    const typed = { ...typedOf(FIELDS, line, metric), room: 'ten', warm_C: '' };
    expect(valuesOf(FIELDS, typed, metric)).toMatchObject({ room: 'ten', warm_C: '' });
  });

  it('takes a decimal comma and a proper minus', () => {
    const same = (n: number) => n;
    expect([figureOr('12,5', same), figureOr(' −3 ', same), figureOr('', same), figureOr('1e3x', same)]).toEqual([
      12.5,
      -3,
      '',
      '1e3x',
    ]);
    expect(typedTemperature(-0.04, 'C')).toBe('0');
  });
});
