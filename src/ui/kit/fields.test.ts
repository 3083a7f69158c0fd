import { describe, expect, it } from 'vitest';
import type { FieldSpec } from './fields.ts';
import { differences, figureOr, issueWords, labelOf, nested, typedOf, typedTemperature, valuesOf } from './fields.ts';

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

describe('fields of parts of a line', () => {
  const fields: FieldSpec[] = [
    {
      key: 'kind',
      label: 'Kind',
      kind: 'choice',
      options: [
        ['flat', 'one price'],
        ['two', 'two prices'],
      ],
    },
    { key: 'tariff.day', label: 'By day', kind: 'number', when: { key: 'kind', is: ['two'] } },
    { key: 'tariff.price', label: 'Price', kind: 'number', when: { key: 'kind', isNot: 'two' } },
    { key: 'share_frac', label: 'Share, %', kind: 'number', scale: 100 },
    { key: 'thick_m', label: 'Thick', kind: 'number', measure: 'mm', scale: 1000 },
  ];
  const kept = { kind: 'flat', tariff: { price: 0.3, day: 0.4 }, share_frac: 0.15, thick_m: 0.05 };

  it('are read from where they lie and put back there, beside what has an editor of its own', () => {
    const typed = typedOf(fields, kept, metric);
    expect(typed).toMatchObject({ 'tariff.price': '0.3', 'tariff.day': '0.4', share_frac: '15', thick_m: '50' });
    const values = valuesOf(fields, { ...typed, 'tariff.price': '0,35' }, metric, kept);
    expect(nested(values, { tariff: { currency: 'EUR' } })).toEqual({
      kind: 'flat',
      // What is not asked is not sent.
      tariff: { currency: 'EUR', price: 0.35 },
      share_frac: 0.15,
      thick_m: 0.05,
    });
  });

  it('typed by the hundred and in inches they come back as they are kept, and untouched to the last digit', () => {
    const typed = typedOf(fields, kept, other);
    expect(typed['thick_m']).toBe('1.969');
    expect(valuesOf(fields, { ...typed, share_frac: '12.5' }, other, kept)).toMatchObject({
      share_frac: 0.125,
      thick_m: 0.05,
    });
    expect(valuesOf(fields, { ...typed, thick_m: '2' }, other, kept)['thick_m']).toBeCloseTo(0.0508, 12);
  });

  it('what is out of bounds is said in the scale that is typed, and as the schema says it where that is the same', () => {
    const warm: FieldSpec = { key: 'warm_C', label: 'Warm', kind: 'temperature' };
    const low = { code: 'too_small', minimum: -40, message: 'warm, degrees C: at least -40' };
    expect(issueWords(warm, low, other, {})).toBe('Warm, °F: at least -40');
    expect(issueWords(warm, { ...low, minimum: 10 }, other, {})).toBe('Warm, °F: at least 50');
    expect(issueWords(warm, low, metric, {})).toBe(low.message);
    const share = fields.find(({ key }) => key === 'share_frac')!;
    expect(issueWords(share, { code: 'too_big', maximum: 0.5, message: '' }, metric, {})).toBe('Share, %: at most 50');
    const thick = fields.find(({ key }) => key === 'thick_m')!;
    expect(issueWords(thick, { code: 'too_big', maximum: 0.254, message: '' }, other, {})).toBe(
      'Thick, in: at most 10',
    );
    expect(issueWords(thick, { code: 'invalid_type', message: 'thickness in m: 0 to 2' }, other, {})).toBe(
      'Thick, in: type a figure',
    );
    const pack: FieldSpec = {
      key: 'pack',
      label: 'Pack',
      kind: 'number',
      measure: 'L',
      measureWhere: { key: 'unit', is: 'L' },
    };
    const many = { code: 'too_big', maximum: 1000, message: 'in a pack: at most 1000' };
    expect(issueWords(pack, many, other, { unit: 'pieces' })).toBe(many.message);
    expect(issueWords(pack, many, other, { unit: 'L' })).toContain('gal: at most 264');
  });

  it('are called with the unit they are typed in, once', () => {
    expect(labelOf({ key: 'a', label: 'Low', kind: 'temperature' }, other)).toBe('Low, °F');
    expect(labelOf({ key: 'a', label: 'Low, °F', kind: 'temperature' }, other)).toBe('Low, °F');
    expect(labelOf({ key: 'a', label: 'Thick', kind: 'number', measure: 'mm' }, other)).toBe('Thick, in');
    expect(labelOf({ key: 'a', label: 'Litres of mix', kind: 'number', measure: 'L', unitSaid: true }, metric)).toBe(
      'Litres of mix',
    );
  });

  it('two versions differ by the words a reader sees, and only in what is asked', () => {
    const typed = { ...typedOf(fields, kept, metric), kind: 'two', 'tariff.day': '0.5' };
    expect(differences(fields, kept, typed, metric)).toEqual([
      { label: 'Kind', theirs: 'one price', yours: 'two prices' },
      { label: 'By day', theirs: '0.4', yours: '0.5' },
    ]);
  });
});
