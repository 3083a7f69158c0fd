import type { Person } from '../../core/house/people.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { Dialog } from '../../ui/kit/Dialog.tsx';
import { TypedForm } from '../../ui/kit/TypedForm.tsx';
import { WORDS } from '../../words/en/house/deviceHolder.ts';

/** On a tablet of the house: whoever takes it proves by their PIN that it is them. */
export function PinDialog(props: {
  readonly person: Person;
  readonly onTaken: () => void;
  readonly onClose: () => void;
}) {
  const { person, onTaken, onClose } = props;
  return (
    <Dialog open onOpenChange={onClose} title={WORDS.pinOf(person.name)}>
      <TypedForm
        fields={[{ key: 'pin', label: WORDS.pin, kind: 'password', autoComplete: 'off', digits: true, big: true }]}
        start={{}}
        send={({ pin }) => writeNow('POST', '/api/house/access/holder', { personId: person.id, pin })}
        keyed={false}
        draft={null}
        columns="grid-cols-1 gap-y-3"
        saveWords={WORDS.take}
        said={null}
        onDone={onTaken}
      />
    </Dialog>
  );
}
