import { catalogue } from '../catalogue.ts';

/** Common builds of heated benches, as they are picked. */
export const BUILDS = catalogue({
  'mat-on-shelf': { name: 'Mat on a shelf', about: 'a heating mat on thin foam, under a lid' },
  'cable-in-sand': { name: 'Cable in a sand box', about: 'a cable in damp sand on foam' },
  'wire-in-concrete': { name: 'Wire in concrete', about: 'a slab on foam, in a house' },
  chamber: { name: 'Germination chamber', about: 'an insulated box with a mat, no sun' },
  'hot-bed': { name: 'Hot bed', about: 'a heap of compost that heats by itself, framed' },
});

export const BUILDS_PAGE = catalogue({
  heading: 'How is it built?',
  about: 'Pick what is nearest; every figure can be changed on the next page.',
  own: 'None of these: begin with plain figures',
  caution:
    'Electricity beside water: use equipment made for it, behind a residual-current device, wired as your local code asks.',
});
