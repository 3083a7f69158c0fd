import { useId, useState } from 'react';
import {
  LIGHT_SOURCES,
  LIGHT_UNITS,
  photons_umol,
  type LightSource,
  type LightUnit,
} from '../../core/units/lightMeter.ts';
import { Field } from '../../ui/Field.tsx';
import { figureOr } from '../../ui/kit/fields.ts';
import { WORDS } from '../../words/en/books/lightMeter.ts';

const UNIT_WORDS: Readonly<Record<LightUnit, string>> = { umol: 'µmol/m² a second', lux: 'lux', W: 'W/m²' };
const SOURCE_WORDS: Readonly<Record<LightSource, string>> = {
  sun: 'daylight',
  'white-led': WORDS.whiteLedLamps,
  tube: WORDS.fluorescentTubes,
  sodium: WORDS.sodiumLamps,
};

interface Props {
  /** What follows from the meter: lamps over the trays, or the share of daylight that comes through. */
  readonly onRead: (found: { readonly lamps?: string; readonly through?: string }) => void;
}

/** A reading of a light meter turned into the figures of the form. From lux and watts it is rough, and said so. */
export function LightMeter({ onRead }: Props) {
  const id = useId();
  const [source, setSource] = useState<LightSource>('white-led');
  const [unit, setUnit] = useState<LightUnit>('lux');
  const [inside, setInside] = useState('');
  const [outside, setOutside] = useState('');
  const [said, setSaid] = useState('');
  const figure = (text: string): number | null => {
    const n = figureOr(text, (value) => value);
    return typeof n === 'number' && n >= 0 ? n : null;
  };
  function put(): void {
    const [here, out] = [figure(inside), figure(outside)];
    const rough = unit === 'umol' ? '' : WORDS.roughFrom(UNIT_WORDS[unit]);
    if (here === null) return setSaid(WORDS.typeTheReadingOverThe);
    if (source !== 'sun') {
      const umol = Math.round(photons_umol(here, unit, source));
      onRead({ lamps: String(umol) });
      return setSaid(WORDS.putInMolMA(umol, rough));
    }
    if (out === null || out <= 0) return setSaid(WORDS.typeTheReadingOutsideAs);
    if (here > out) return setSaid(WORDS.moreLightInsideThanOutside);
    const through = Math.round((100 * here) / out);
    onRead({ through: String(through) });
    setSaid(WORDS.throughPutIn(through));
  }
  return (
    <details className="mt-2">
      <summary className="cursor-pointer">{WORDS.fromALightMeter}</summary>
      <div className="mt-2 grid grid-cols-1 gap-3 min-[560px]:grid-cols-2 min-[900px]:grid-cols-4">
        <div className="field">
          <label htmlFor={`${id}source`}>{WORDS.readUnder}</label>
          <select
            id={`${id}source`}
            className="input"
            value={source}
            onChange={(e) => setSource(e.target.value as LightSource)}
          >
            {LIGHT_SOURCES.map((one) => (
              <option key={one} value={one}>
                {SOURCE_WORDS[one]}
              </option>
            ))}
          </select>
        </div>
        <div className="field">
          <label htmlFor={`${id}unit`}>{WORDS.theMeterShows}</label>
          <select
            id={`${id}unit`}
            className="input"
            value={unit}
            onChange={(e) => setUnit(e.target.value as LightUnit)}
          >
            {LIGHT_UNITS.map((one) => (
              <option key={one} value={one}>
                {UNIT_WORDS[one]}
              </option>
            ))}
          </select>
        </div>
        <Field id={`${id}in`} label={WORDS.overTheTrays} inputMode="decimal" value={inside} onValue={setInside} />
        {source === 'sun' && (
          <Field id={`${id}out`} label={WORDS.outside} inputMode="decimal" value={outside} onValue={setOutside} />
        )}
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <button type="button" className="btn" onClick={put}>
          {WORDS.putItIn}
        </button>
        <span role="status">{said}</span>
      </div>
    </details>
  );
}
