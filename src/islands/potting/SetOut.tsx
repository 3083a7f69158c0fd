import type { SessionView } from '../../contracts/potting/potting.ts';
import { counted } from '../../ui/format.ts';
import { litres } from './words.ts';

/** Pots, trays and mix to set out before the first plant. */
export function SetOut({ view }: { readonly view: SessionView }) {
  return (
    <section aria-label="Set out first">
      <h2 className="border-b-2 border-ink pb-1">Set out first</h2>
      <table className="plain-table mt-1">
        <thead className="sr-only">
          <tr>
            <th>Thing</th>
            <th>How much</th>
            <th>On hand</th>
          </tr>
        </thead>
        <tbody>
          {view.pots.map((pot) => (
            <tr key={pot.containerId}>
              <td>
                {pot.name}
                <span className="block text-[0.92rem] text-ink2">{counted(pot.trays, 'tray')}</span>
              </td>
              <td className="r num text-lg">{pot.count}</td>
              <td className="r">
                <OnHand have={pot.have} need={pot.count} shown={String} />
              </td>
            </tr>
          ))}
          <tr>
            <td>labels, one to a tray</td>
            <td className="r num text-lg">{view.labels}</td>
            <td />
          </tr>
        </tbody>
      </table>
      {view.mixes.map((mix) => (
        <p key={mix.name} className="mt-2">
          <span className="num text-lg">{litres(mix.litres)}</span> {mix.name}
          <span className="block text-[0.92rem] text-ink2">{mix.recipe}, by parts</span>
        </p>
      ))}
      {view.parts.length > 0 && (
        <table className="plain-table mt-2">
          <caption className="text-left text-ink2">Measured loose, settling and waste in it</caption>
          <thead>
            <tr>
              <th>Part</th>
              <th className="r">Litres</th>
              <th className="r">Bags to open</th>
              <th className="r">On hand</th>
            </tr>
          </thead>
          <tbody>
            {view.parts.map((part) => (
              <tr key={part.itemId}>
                <td>{part.name}</td>
                <td className="r num">{litres(part.litres)}</td>
                <td className="r">
                  {part.bags === null ? 'loose' : part.bags}
                  {part.left_L !== null && part.left_L >= 0.5 && (
                    <span className="block text-[0.85rem] text-ink2">{litres(part.left_L)} over</span>
                  )}
                </td>
                <td className="r">
                  <OnHand have={part.have} need={part.litres} shown={litres} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mt-2 text-[0.92rem] text-ink2">
        Lift bags with your legs and share the heavy ones; damp dry mixes before you tip them, and do not breathe the
        dust. Wash hands: composts can carry germs.
      </p>
    </section>
  );
}

function OnHand({
  have,
  need,
  shown,
}: {
  readonly have: number | null;
  readonly need: number;
  readonly shown: (n: number) => string;
}) {
  if (have === null) return <span className="text-ink2">not in stock book</span>;
  if (have < need) return <span className="font-bold text-brick">only {shown(Math.round(have * 10) / 10)}</span>;
  return <span className="text-ink2">of {shown(Math.round(have * 10) / 10)}</span>;
}
