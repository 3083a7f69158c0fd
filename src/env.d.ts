/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    /** The season as it stands, read once for each page. */
    season: import('./core/plan/season.ts').Season;
    /** Who calls. */
    caller: import('./contracts/house/access.ts').Caller;
  }
}
declare module 'highs/runtime?url' {
  const url: string;
  export default url;
}
