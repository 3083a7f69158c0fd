import { describe, expect, it } from 'vitest';
import { demoHouse } from '../../../tests/support/demoHouse.ts';
import { batchInput } from '../../contracts/batch/batches.ts';
import { familyInput } from '../../contracts/plan/planning.ts';
import { draftOf, emptyDraft, familyOf, inputOf, type Draft } from './draft.ts';

const { house } = demoHouse();
const filled: Draft = {
  ...emptyDraft(house),
  cropId: 1,
  plants: '120',
  transplantOn: '2027-06-01',
  places: { germinate: 1, grow: 3, pot: 4, space: null, harden: 6 },
  potContainerId: 6,
};

describe('a batch as it is typed', () => {
  it('goes to the call and back unchanged', () => {
    const sent = batchInput.parse(inputOf(filled));
    expect(batchInput.parse(inputOf(draftOf(sent)))).toEqual(sent);
    expect(sent).toMatchObject({
      plantsWanted: 120,
      spare_frac: 0.15,
      before_days: 3,
      after_days: 7,
      joins: null,
      age_frac: 1,
    });
  });

  it('names each field that is no figure', () => {
    const wrong = batchInput.safeParse(
      inputOf({ ...filled, plants: 'ten', before: '', hardening: 'x', joinsStage: 'pot' }),
    );
    const paths = wrong.error!.issues.map((issue) => issue.path.join('.'));
    expect(paths.sort()).toEqual(['before_days', 'hardening_days', 'joins.on', 'plantsWanted']);
  });

  it('makes a succession, or a pair with a share of the first', () => {
    const succession = familyInput.parse(
      familyOf({ ...filled, several: 'succession', every: '10', times: '5' }, 'key-000001'),
    );
    expect(succession).toMatchObject({ kind: 'succession', every_days: 10, times: 5, share_frac: 1 });
    const pair = familyInput.parse(
      familyOf({ ...filled, several: 'insurance', every: '9', times: '7', share: '40' }, 'key-000002'),
    );
    expect(pair).toMatchObject({ kind: 'insurance', times: 2, share_frac: 0.4 });
    const wrong = familyInput.safeParse(
      familyOf({ ...filled, several: 'insurance', every: '0', share: 'half' }, 'key-000003'),
    );
    expect(wrong.error!.issues.map((issue) => issue.path.join('.')).sort()).toEqual(['every_days', 'share_frac']);
  });
});
