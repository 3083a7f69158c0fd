import { useEffect, useState, type ReactNode } from 'react';
import { beginInput, type Town } from '../../contracts/house/begin.ts';
import type { Container } from '../../core/books/container.ts';
import { STARTING_HOUSE_KEYS, STARTING_HOUSES, type StartingHouseKey } from '../../core/house/startingHouses.ts';
import { house } from '../../ui/house.ts';
import { useAnswer, useWrite, wrongAt } from '../../ui/kit/data.ts';
import { draftOf, forgetDraft, keepDraft } from '../../ui/kit/drafts.ts';
import { Finder } from '../../ui/kit/Finder.tsx';
import { Field } from '../../ui/Field.tsx';
import { bodyOf, fromTown, HOUSE_WORDS, RISKS, roomsOf, siteOf, type BeginTyped } from './begin.ts';
import { BeginSummary } from './BeginSummary.tsx';
import { DemoInstead } from './DemoInstead.tsx';
import { StartingHouse } from './StartingHouse.tsx';
import { WaysFields } from './WaysFields.tsx';
import { WORDS } from '../../words/en/house/begin.ts';

interface Props {
  readonly containers: readonly Pick<Container, 'id' | 'name' | 'kind'>[];
}

const DRAFT = '/house/begin';
/** Trays ticked at first: two kinds of cells, a seed tray and two pots do for most crops. */
const FIRST_TICKED = 8;

/** The first questions of a nursery: where, how things are counted, its places, its trays, and the frost risk taken. */
export function Begin({ containers }: Props) {
  const [typed, setTyped] = useState<BeginTyped>({
    placeName: '',
    latitude: '',
    longitude: '',
    height: '',
    byTheSea: false,
    ways: null,
    house: null,
    rooms: {},
    containerIds: containers.slice(0, FIRST_TICKED).map(({ id }) => id),
    risk_frac: 0.1,
  });
  const [town, setTown] = useState('');
  const [tried, setTried] = useState(false);
  const [byHand, setByHand] = useState(false);
  const towns = useAnswer<{ towns: Town[] }>(
    town.trim().length < 2 || town === typed.placeName ? null : `/api/house/towns?q=${encodeURIComponent(town)}`,
  );
  const begin = useWrite<object>('POST', '/api/house/begin', false);
  const site = siteOf(typed);
  const at = byHand && site ? `${site.latitude_deg},${site.longitude_deg}` : null;
  const zone = useAnswer<{ timeZone: string }>(at && `/api/house/towns?at=${at}`);

  useEffect(() => {
    const kept = draftOf(DRAFT, 0);
    if (!kept?.extra) return;
    const before = kept.extra as unknown as BeginTyped;
    setTyped(before);
    setTown(before.placeName);
  }, []);
  const change = (part: Partial<BeginTyped>): void => {
    const next = { ...typed, ...part };
    setTyped(next);
    keepDraft(DRAFT, { version: 0, typed: {}, extra: next as unknown as Record<string, unknown> });
  };

  // Coordinates typed by hand bring their own time zone.
  const byCoordinates = byHand ? zone.data?.timeZone : undefined;
  const ways = typed.ways && byCoordinates ? { ...typed.ways, timeZone: byCoordinates } : typed.ways;
  const inches = (ways ?? house()).lengthUnit === 'in';
  const body = bodyOf({ ...typed, ways });
  const checked = beginInput.safeParse(body);
  const wrong = (path: string): string | undefined =>
    (tried ? checked.error?.issues.find((one) => one.path.join('.') === path)?.message : undefined) ??
    wrongAt(begin.error, path);

  async function start(): Promise<void> {
    setTried(true);
    if (!checked.success) return;
    const done = await begin.mutateAsync(body as object).catch(() => undefined);
    if (!done) return;
    forgetDraft(DRAFT);
    location.assign(typed.house === 'empty' ? '/books/places' : '/plan/season?begun=1');
  }

  return (
    <div className="grid items-start gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,46rem)_minmax(18rem,26rem)]">
      <form
        noValidate
        className="flex flex-col gap-7"
        onSubmit={(e) => {
          e.preventDefault();
          void start();
        }}
      >
        <div>
          <h1>{WORDS.yourNurseryInFiveAnswers}</h1>
          <p className="mt-1 max-w-[60ch] text-ink2">{WORDS.twoOfThemYouGive}</p>
        </div>

        <Question n={1} title={WORDS.whereIsIt}>
          <div className="max-w-md">
            <Finder<Town>
              label={WORDS.town}
              text={town}
              found={towns.data?.towns ?? []}
              keyOf={(one) => String(one.id)}
              show={(one) => (
                <span>
                  <b className="font-semibold">{one.name}</b>{' '}
                  <span className="text-ink2">
                    {one.region === '' || /^\d/.test(one.region) ? one.country : `${one.region}, ${one.country}`}
                  </span>
                </span>
              )}
              none={towns.data && town.trim().length >= 2 && town !== typed.placeName ? WORDS.noSuchTownInThe : null}
              hint={WORDS.theNearestTownWillDo}
              error={wrong('latitude_deg') ? WORDS.chooseATownFromThe : undefined}
              onText={setTown}
              onChoose={(one) => {
                setTown(one.name);
                setByHand(false);
                change(fromTown(typed, one));
              }}
            />
          </div>
          <details className="mt-2" open={byHand} onToggle={(e) => setByHand(e.currentTarget.open)}>
            <summary className="text-[0.95rem] text-ink2">{WORDS.coordinatesInstead}</summary>
            <div className="mt-2 grid max-w-md grid-cols-2 gap-3">
              <Field
                id="begin-lat"
                label={WORDS.latitude}
                hint={WORDS.minusIsSouth}
                inputMode="decimal"
                value={typed.latitude}
                error={wrong('latitude_deg')}
                onValue={(latitude) => change({ latitude, ways: typed.ways ?? EUROPE })}
              />
              <Field
                id="begin-lon"
                label={WORDS.longitude}
                hint={WORDS.minusIsWest}
                inputMode="decimal"
                value={typed.longitude}
                error={wrong('longitude_deg')}
                onValue={(longitude) => change({ longitude, ways: typed.ways ?? EUROPE })}
              />
            </div>
          </details>
          <div className="mt-3 flex flex-wrap items-end gap-x-6 gap-y-2">
            <div className="w-48">
              <Field
                id="begin-height"
                label={WORDS.heightAboveTheSea(inches ? 'ft' : 'm')}
                inputMode="decimal"
                hint={WORDS.aGuessChangeItIf}
                value={typed.height}
                error={wrong('height_m')}
                onValue={(height) => change({ height })}
              />
            </div>
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5 accent-plum"
                checked={typed.byTheSea}
                onChange={(e) => change({ byTheSea: e.target.checked })}
              />
              {WORDS.withinOfTheSea(inches ? WORDS.words30Miles : WORDS.words50Km)}
            </label>
          </div>
        </Question>

        <Question n={2} title={WORDS.howDoYouCount}>
          <WaysFields ways={ways} wrong={wrong} onChange={(next) => change({ ways: next })} />
        </Question>

        <Question n={3} title={WORDS.whereDoPlantsStand}>
          <fieldset>
            <legend className="sr-only">{WORDS.aHouseToBeginWith}</legend>
            <div className="grid gap-3 sm:grid-cols-2">
              {STARTING_HOUSE_KEYS.map((key) => (
                <HouseCard
                  key={key}
                  house={key}
                  chosen={typed.house === key}
                  onChoose={() => change({ house: key, rooms: roomsOf(key) })}
                />
              ))}
            </div>
            {wrong('house') && <p className="err mt-1 font-semibold text-brick">{WORDS.chooseAHouseToBegin}</p>}
          </fieldset>
          {typed.house !== null && typed.house !== 'empty' && (
            <div className="mt-4">
              <p className="font-semibold">{WORDS.traysThatEachHolds}</p>
              <ul className="mt-1">
                {STARTING_HOUSES[typed.house].map(({ key, name }) => (
                  <RoomLine
                    key={key}
                    name={name}
                    value={typed.rooms[key] ?? '0'}
                    onValue={(value) => change({ rooms: { ...typed.rooms, [key]: value } })}
                  />
                ))}
              </ul>
              <p className="text-[0.9rem] text-ink2">
                {WORDS.aStandardTrayIsAbout(inches ? WORDS.words2111In : WORDS.words5328Cm)}
              </p>
              {tried && checked.error?.issues.some(({ path }) => path[0] === 'places') && (
                <p className="font-semibold text-brick">{WORDS.eachOfThemWantsA}</p>
              )}
            </div>
          )}
        </Question>

        <Question n={4} title={WORDS.whichTraysAndPotsDo}>
          <fieldset className="flex flex-wrap gap-2">
            <legend className="sr-only">{WORDS.traysAndPotsInUse}</legend>
            {containers.map(({ id, name }) => (
              <label
                key={id}
                className="flex min-h-11 cursor-pointer items-center gap-2 rounded-[3px] border border-ink3 bg-paper px-3 has-checked:border-plum has-checked:bg-plum-soft"
              >
                <input
                  type="checkbox"
                  className="size-5 accent-plum"
                  checked={typed.containerIds.includes(id)}
                  onChange={(e) =>
                    change({
                      containerIds: e.target.checked
                        ? [...typed.containerIds, id]
                        : typed.containerIds.filter((one) => one !== id),
                    })
                  }
                />
                {name}
              </label>
            ))}
          </fieldset>
          {wrong('containerIds') && <p className="mt-1 font-semibold text-brick">{WORDS.chooseOneAtLeast}</p>}
        </Question>

        <Question n={5} title={WORDS.howOftenMayFrostCatch}>
          <fieldset className="flex flex-wrap gap-2">
            <legend className="mb-1 text-ink2">{WORDS.yearsInWhichAHarmful}</legend>
            {RISKS.map(([risk, words]) => (
              <label
                key={risk}
                className="flex min-h-11 cursor-pointer items-center gap-2 rounded-[3px] border border-ink3 bg-paper px-3 has-checked:border-plum has-checked:bg-plum-soft"
              >
                <input
                  type="radio"
                  name="risk"
                  className="size-5 accent-plum"
                  checked={typed.risk_frac === risk}
                  onChange={() => change({ risk_frac: risk })}
                />
                {words}
              </label>
            ))}
          </fieldset>
        </Question>

        <div className="flex flex-wrap items-center gap-4">
          <button type="submit" className="btn solid" disabled={begin.isPending}>
            {begin.isPending ? WORDS.beginning : WORDS.beginTheSeason}
          </button>
          {tried && !checked.success && (
            <p role="alert" className="font-semibold text-brick">
              {WORDS.notYetLookAtWhat}
            </p>
          )}
          {begin.error && (
            <p role="alert" className="font-semibold text-brick">
              {begin.error.message}
            </p>
          )}
        </div>
      </form>
      <div className="self-start lg:sticky lg:top-4">
        <BeginSummary site={site} risk_frac={typed.risk_frac} unit={ways?.temperatureUnit ?? 'C'} />
        <DemoInstead />
      </div>
    </div>
  );
}

/** Ways of counting where coordinates are typed before any town. */
const EUROPE = {
  timeZone: 'Europe/London',
  temperatureUnit: 'C',
  lengthUnit: 'cm',
  currency: 'EUR',
  firstWeekday: 1,
} as const;

function Question({
  n,
  title,
  children,
}: {
  readonly n: number;
  readonly title: string;
  readonly children: ReactNode;
}) {
  return (
    <section aria-labelledby={`question-${n}`} className="grid grid-cols-[2.25rem_minmax(0,1fr)] gap-x-3">
      <span
        aria-hidden="true"
        className="num flex size-9 items-center justify-center rounded-full border-2 border-ink bg-paper text-lg"
      >
        {n}
      </span>
      <div>
        <h2 id={`question-${n}`} className="mt-1 mb-2">
          {title}
        </h2>
        {children}
      </div>
    </section>
  );
}

function HouseCard({
  house,
  chosen,
  onChoose,
}: {
  readonly house: StartingHouseKey;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}) {
  const { name, about } = HOUSE_WORDS[house];
  return (
    <label className="flex cursor-pointer flex-col gap-2 rounded-[4px] border-2 border-line bg-paper p-3 has-checked:border-plum has-checked:bg-plum-soft has-focus-visible:outline-3 has-focus-visible:outline-plum">
      <StartingHouse house={house} />
      <span className="flex items-start gap-2">
        <input
          type="radio"
          name="house"
          className="mt-0.5 size-5 accent-plum"
          checked={chosen}
          onChange={onChoose}
          aria-label={`${name}: ${about}`}
        />
        <span>
          <b className="font-semibold">{name}</b>
          <span className="block text-[0.92rem] text-ink2">{about}</span>
        </span>
      </span>
    </label>
  );
}

function RoomLine({
  name,
  value,
  onValue,
}: {
  readonly name: string;
  readonly value: string;
  readonly onValue: (value: string) => void;
}) {
  const trays = Number(value.replace(',', '.'));
  const step = trays >= 40 ? 10 : trays >= 10 ? 2 : 1;
  const by = (n: number) => onValue(String(Math.max(0, (Number.isFinite(trays) ? trays : 0) + n)));
  return (
    <li className="flex items-center gap-3 border-b border-line py-1">
      <span className="min-w-40 grow">{name}</span>
      <button type="button" className="btn" aria-label={WORDS.fewerTrays(name)} onClick={() => by(-step)}>
        −
      </button>
      <input
        className="input w-20 text-center"
        inputMode="decimal"
        aria-label={WORDS.trays(name)}
        value={value}
        onChange={(e) => onValue(e.target.value)}
      />
      <button type="button" className="btn" aria-label={WORDS.moreTrays(name)} onClick={() => by(step)}>
        +
      </button>
    </li>
  );
}
