import type { SessionView } from '../../contracts/potting/potting.ts';
import { counted } from '../../ui/format.ts';
import { litres } from './words.ts';
import { WORDS } from '../../words/en/potting/setOut.ts';

/** Pots, trays and mix to set out before the first plant. */
export function SetOut({ view }: { readonly view: SessionView }) {
  return (
    <section aria-label={WORDS.setOutFirst}>
      <h2 className="border-b-2 border-ink pb-1">{WORDS.setOutFirst}</h2>
      <table className="plain-table mt-1">
        <thead className="sr-only">
          <tr>
            <th>{WORDS.thing}</th>
            <th>{WORDS.howMuch}</th>
            <th>{WORDS.onHand}</th>
          </tr>
        </thead>
        <tbody>
          {view.pots.map((pot) => (
            <tr key={pot.containerId}>
              <td>
                {pot.name}
                <span className="block text-[0.92rem] text-ink2">{counted(pot.trays, WORDS.tray)}</span>
              </td>
              <td className="r num text-lg">{pot.count}</td>
              <td className="r">
                <OnHand have={pot.have} need={pot.count} shown={String} />
              </td>
            </tr>
          ))}
          <tr>
            <td>{WORDS.labelsOneToATray}</td>
            <td className="r num text-lg">{view.labels}</td>
            <td />
          </tr>
        </tbody>
      </table>
      {view.mixes.map((mix) => (
        <p key={mix.name} className="mt-2">
          <span className="num text-lg">{litres(mix.litres)}</span> {mix.name}
          <span className="block text-[0.92rem] text-ink2">{WORDS.byParts(mix.recipe)}</span>
        </p>
      ))}
      {view.parts.length > 0 && (
        <table className="plain-table mt-2">
          <caption className="text-left text-ink2">{WORDS.measuredLooseSettlingAndWaste}</caption>
          <thead>
            <tr>
              <th>{WORDS.part}</th>
              <th className="r">{WORDS.litres}</th>
              <th className="r">{WORDS.bagsToOpen}</th>
              <th className="r">{WORDS.onHand}</th>
            </tr>
          </thead>
          <tbody>
            {view.parts.map((part) => (
              <tr key={part.itemId}>
                <td>{part.name}</td>
                <td className="r num">{litres(part.litres)}</td>
                <td className="r">
                  {part.bags === null ? WORDS.loose : part.bags}
                  {part.left_L !== null && part.left_L >= 0.5 && (
                    <span className="block text-[0.85rem] text-ink2">{WORDS.over(litres(part.left_L))}</span>
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
      <p className="mt-2 text-[0.92rem] text-ink2">{WORDS.liftBagsWithYourLegs}</p>
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
  if (have === null) return <span className="text-ink2">{WORDS.notInStockBook}</span>;
  if (have < need) return <span className="font-bold text-brick">{WORDS.only(shown(Math.round(have * 10) / 10))}</span>;
  return <span className="text-ink2">{WORDS.of(shown(Math.round(have * 10) / 10))}</span>;
}
