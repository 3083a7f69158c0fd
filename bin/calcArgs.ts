import { parseArgs } from 'node:util';

/** What is typed to the calculator (bin/calc.ts). */
const USAGE = `Commands:
  emergence --crop NAME --temp C            days to first, half and nine tenths up
  growth    --crop NAME --dli MOL (--day C --night C | --hours FILE) [--unpotted]
            days from half up to potting and to the first hardening day; FILE: a temperature for each hour, 24 or a multiple
  indices   --counts 0,0,3,7 --seeds N      measures of a count series, one count a day from day 1 (or --days 2,3,5,8)
  seeds     --want N --germ 0.85 [--confidence 0.9] [--field 1] [--losses 0] [--culls 0] [--percell 1] [--teased 0]
            [--tested SEEDS]                          the share is known only from so many seeds
  light     --latitude DEG --day 1..366 [--sunshine 0.35] [--cover 0.6] [--ppfd 0] [--hours 0] [--mean C --base C]
  water     --temp C --humidity 0.65 [--dli MOL] [--litres L] [--kind cell-tray|seed-tray|block|pot] [--per 1] [--cover 0.4]
            [--bottom K] [--air 0.15]                 what a day's air asks of a wet tray under glass, and its days from watered to dry
  heat      --zone FILE [--set 20] [--outside 0] [--month 4]   sizing and a usual day of a zone (JSON as in docs/zone.example.json)
  frost     --csv FILE --threshold 0 [--location NAME] [--unit C|F|tenths] [--south] [--risk 0.1]
            each season's last and first frost and the quantiles; columns date, temp_min (or as in --date, --least), location
  mix       --pots N (--litres L | --top MM --base MM --height MM [--square]) [--depth MM] --parts "compost 6 60, grit 1 20"
            [--settle 0.1] [--waste 0.05]                      litres, parts and whole bags (name, parts, litres of a bag)
  feed      --npk 20-20-20 --rate 1 --water 10 [--fraction 0.5] [--injector 100] [--liquid] [--density 1.15] [--wv]
            [--element] [--labelec 0.9] [--waterec 0]          what goes into the can or tank, and ppm at the plants
  count     --photo FILE --rows 8 --columns 13 [--corners "x,y x,y x,y x,y"]
            cells of a tray with something up in a picture (PNG or JPEG), row by row; corners clockwise from the first cell`;

/** Something typed that cannot be worked with. */
export class Wrong extends Error {}

export const { values, positionals } = readArgs();

function readArgs() {
  const text = { type: 'string' } as const;
  try {
    return parseArgs({
      allowPositionals: true,
      options: {
        json: { type: 'boolean' },
        crop: text,
        temp: text,
        counts: text,
        days: text,
        seeds: text,
        want: text,
        photo: text,
        humidity: text,
        kind: text,
        per: text,
        bottom: text,
        air: text,
        rows: text,
        columns: text,
        corners: text,
        germ: text,
        confidence: text,
        field: text,
        losses: text,
        culls: text,
        percell: text,
        tested: text,
        teased: text,
        latitude: text,
        day: text,
        night: text,
        dli: text,
        sunshine: text,
        cover: text,
        ppfd: text,
        hours: text,
        mean: text,
        base: text,
        zone: text,
        set: text,
        outside: text,
        month: text,
        pots: text,
        litres: text,
        top: text,
        height: text,
        depth: text,
        parts: text,
        settle: text,
        waste: text,
        npk: text,
        rate: text,
        water: text,
        fraction: text,
        injector: text,
        density: text,
        labelec: text,
        waterec: text,
        csv: text,
        threshold: text,
        location: text,
        unit: text,
        risk: text,
        date: text,
        least: text,
        south: { type: 'boolean' },
        square: { type: 'boolean' },
        liquid: { type: 'boolean' },
        wv: { type: 'boolean' },
        unpotted: { type: 'boolean' },
        element: { type: 'boolean' },
      },
    });
  } catch (error) {
    return fail((error as Error).message);
  }
}

/** Ends with what was wrong and how it is used. */
export function fail(message: string): never {
  process.stderr.write(`${message}\n\n${USAGE}\n`);
  process.exit(2);
}

/** A figure that was typed, or the usual one. @throws Wrong when it is none */
export function figure(name: keyof typeof values, usual?: number): number {
  const given = values[name];
  if (given === undefined && usual !== undefined) return usual;
  const n = Number(given);
  if (given === undefined || given === '' || !Number.isFinite(n)) throw new Wrong(`--${name} needs a figure`);
  return n;
}
