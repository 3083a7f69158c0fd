import { ALL_STAGES } from '../../core/plan/stage.ts';
import type { BatchInput } from '../../contracts/batch/batches.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { differences, typedOf, type Difference, type FieldSpec } from '../../ui/kit/fields.ts';
import { draftOf, type Draft } from './draft.ts';
import { WORDS } from '../../words/en/batch/batchForm.ts';
import { WORDS as MORE } from '../../words/en/batch/batchMore.ts';

type Named = readonly { readonly id: number; readonly name: string }[];
const link = (key: string, label: string, of: Named, emptyWords: string): FieldSpec => ({
  key,
  label,
  kind: 'link',
  emptyWords,
  options: of.map(({ id, name }) => [id, name]),
});

function fieldsOf({ varieties, lots, covers, programmes, places, containers }: HouseData): FieldSpec[] {
  const codes = lots.map(({ id, code }) => ({ id, name: code }));
  return [
    { key: 'plants', label: WORDS.plantsWanted, kind: 'text' },
    { key: 'transplantOn', label: WORDS.transplantDate, kind: 'date' },
    link('varietyId', WORDS.variety, varieties, WORDS.notSaid),
    link('lotId', WORDS.lot, codes, WORDS.notSaid),
    link('coverId', WORDS.goesOutUnder, covers, WORDS.noCover),
    link('programmeId', WORDS.hardenedBy, programmes, WORDS.theUsualOfItsKind),
    ...ALL_STAGES.map((stage) => link(`places.${stage}`, WORDS.stages[stage], places, WORDS.noPlace)),
    link('sowContainerId', WORDS.sownIn, containers, WORDS.notSaid),
    link('potContainerId', WORDS.pottedInto, containers, WORDS.staysInItsTray),
    { key: 'hardening', label: WORDS.hardeningDays, kind: 'text' },
    { key: 'spare', label: WORDS.overplanting, kind: 'text' },
    { key: 'note', label: WORDS.note, kind: 'text' },
    { key: 'before', label: MORE.daysBeforeAreAsGood, kind: 'text' },
    { key: 'after', label: MORE.daysAfterAreAsGood, kind: 'text' },
  ];
}

/** Where a batch as it is saved by now and as it is typed here differ, by the names of its fields. */
export function batchDifferences(house: HouseData, theirs: BatchInput, yours: Draft): readonly Difference[] {
  const fields = fieldsOf(house);
  const units = { temperature: house.unit, length: 'cm' } as const;
  return differences(fields, { ...draftOf(theirs) }, typedOf(fields, { ...yours }, units), units);
}
