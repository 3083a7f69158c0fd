import { catalogue } from '../../catalogue.ts';

/** What server/heat/live.ts says. */
export const WORDS = catalogue({
  stillHere: ': still here\n\n',
  idData: (instant_ms: number, text: string) => `id: ${instant_ms}
data: ${text}

`,
  retry3000: (last: string) => `retry: 3000
${last}
`,
  data: (last: string) => `data: ${last}
`,
});
