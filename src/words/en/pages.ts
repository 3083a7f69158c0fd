import { catalogue } from '../catalogue.ts';

/** A page or an action that can be searched for: what it is called and other words people look for it by. */
export interface PageWords {
  readonly href: string;
  readonly name: string;
  readonly also: string;
}

/** Pages of the application, in the order of the work. */
export const PAGES: readonly PageWords[] = catalogue([
  { href: '/', name: 'Round', also: 'today jobs tasks work due to do' },
  { href: '/house/scan', name: 'Scan a label', also: 'camera qr code tray' },
  { href: '/house/jobs', name: 'Jobs of the house', also: 'repeated tasks heater traps wash trays' },
  { href: '/house/walk', name: 'Walking order', also: 'round places doors levels sort' },
  { href: '/watering', name: 'Water and air', also: 'watering humidity vapour pressure deficit dry wet damping off' },
  { href: '/watering/plan', name: 'Water ahead', also: 'litres tank away holiday weekend days' },
  { href: '/watering/scales', name: 'Scales', also: 'weight weigh tray mqtt sensor' },
  { href: '/house/photos', name: 'Photos', also: 'pictures camera tray growing' },
  { href: '/house/paper', name: 'Round on paper', also: 'print type in later' },
  { href: '/plan/season', name: 'Season', also: 'plan timeline calendar batches room' },
  { href: '/house', name: 'Plan of the house', also: 'map layout benches where' },
  { href: '/plan/what-if', name: 'What if', also: 'compare try scenario' },
  { href: '/germination/sow', name: 'Sow', also: 'sowing sheet seed trays germinate' },
  { href: '/germination/count', name: 'Count seedlings', also: 'emergence up germinated tray' },
  { href: '/heat', name: 'Heat', also: 'zones benches chambers temperature thermostat' },
  { href: '/heat/alarms', name: 'Alarms', also: 'warnings faults heater' },
  { href: '/heat/readings', name: 'Readings of the benches', also: 'sensors export csv' },
  { href: '/heat/settings', name: 'Heat settings', also: 'tariff price electricity limits' },
  { href: '/heat/training', name: 'Training bench', also: 'practise simulate learn controller' },
  { href: '/potting', name: 'Pot', also: 'potting up pricking out session' },
  { href: '/potting/stock', name: 'Stock', also: 'pots compost mix count order buy' },
  { href: '/potting/mixes', name: 'Mixes', also: 'compost substrate medium recipe' },
  { href: '/potting/feeds', name: 'Feeds', also: 'fertiliser nutrients' },
  { href: '/potting/feed', name: 'Mix a feed', also: 'dilute ec injector' },
  { href: '/hardening', name: 'Harden', also: 'hardening off ladder frames covers tonight' },
  { href: '/hardening/structures', name: 'Frames and lids', also: 'vents structures open close' },
  { href: '/hardening/covers', name: 'Covers', also: 'fleece cloche tunnel film' },
  { href: '/hardening/programmes', name: 'Hardening programmes', also: 'steps days' },
  { href: '/planting', name: 'Plant out', also: 'transplant gates dates field' },
  { href: '/weather', name: 'Weather', also: 'forecast frost wind tonight rain' },
  { href: '/weather/years', name: 'Frost dates and years', also: 'climate normals import history last frost' },
  { href: '/weather/readings', name: 'Readings by hand', also: 'thermometer minimum maximum soil' },
  { href: '/books/crops', name: 'Crops', also: 'book library species' },
  { href: '/books/seed', name: 'Varieties', also: 'seed cultivar' },
  { href: '/books/lots', name: 'Seed lots', also: 'germination test packet' },
  { href: '/books/places', name: 'Places', also: 'benches chambers frames room' },
  { href: '/books/containers', name: 'Trays and pots', also: 'cells plugs blocks containers' },
  { href: '/batch/ledger', name: 'Ledger', also: 'log history what happened who' },
  { href: '/batch/failures', name: 'Losses', also: 'failures causes damping off died' },
  { href: '/batch/take-along', name: 'Import and export', also: 'csv calendar ical labels file backup' },
  { href: '/house/seasons', name: 'Seasons', also: 'close year archive' },
  { href: '/house/people', name: 'People', also: 'staff who authors roles accounts invite link tablet sign in' },
  { href: '/house/me', name: 'My account', also: 'password pin passkey devices sign out' },
  { href: '/house/audit', name: 'What was changed', also: 'audit who settings set-points people' },
  { href: '/house/settings', name: 'Settings', also: 'units time zone currency nursery' },
  { href: '/house/help', name: 'Help and glossary', also: 'manual keys shortcuts words meaning' },
]);

/** Things to do that have an address. */
export const ACTIONS: readonly PageWords[] = catalogue([
  { href: '/batch/new', name: 'New batch', also: 'add make sow plan plants' },
  { href: '/books/crops?new=1', name: 'Add a crop', also: 'new crop' },
  { href: '/books/places?new=1', name: 'Add a place', also: 'new bench chamber' },
  { href: '/germination/sheet', name: 'Print the sowing sheet', also: 'paper' },
  { href: '/plan/season#plan', name: 'Plan the season', also: 'planner optimise' },
]);

export const SEARCH = catalogue({
  open: 'Search',
  label: 'Search batches, crops, places, pages and help',
  hint: 'A batch by its code or name, a crop, a place, a page. Enter opens it; Escape closes.',
  nothing: (typed: string) => `Nothing is called “${typed}”.`,
  byCode: (code: string) => `Look for the label ${code}`,
  groups: {
    batch: 'Batches',
    crop: 'Crops',
    place: 'Places',
    lot: 'Seed lots',
    action: 'Do',
    page: 'Pages',
    help: 'Words',
  },
});
