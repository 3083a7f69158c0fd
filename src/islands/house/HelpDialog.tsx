import { Dialog } from '../../ui/kit/Dialog.tsx';
import { HELP, helpOf } from '../../words/en/help.ts';

interface Props {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
}

/** The help of the screen it is opened on. */
export function HelpDialog({ open, onOpenChange }: Props) {
  const { title, answers, reading, keys } = helpOf(location.pathname);
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title={title}>
      <p className="text-lg">{answers}</p>
      <h3 className="mt-4">{HELP.reading}</h3>
      <ul className="mt-1 list-disc pl-5">
        {reading.map((line) => (
          <li key={line} className="mt-1">
            {line}
          </li>
        ))}
      </ul>
      <h3 className="mt-4">{HELP.keys}</h3>
      <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {keys.map(([key, does]) => (
          <div key={key} className="contents">
            <dt className="num">{key}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-4">
        <a href="/house/help">{HELP.all}</a>
      </p>
    </Dialog>
  );
}
