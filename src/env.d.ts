/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    /** The season as it stands, read once for each page. */
    season: import('./core/plan/season.ts').Season;
  }
}
declare module 'highs/runtime?url' {
  const url: string;
  export default url;
}
