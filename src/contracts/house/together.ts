/** Entries that a device sends in one call. */
export const MOST_ENTRIES = 100;

/** Paths of the entries that go together: lines of a few words each. Whatever else waits goes by itself. */
export const GOES_TOGETHER =
  /^\/api\/(?:batch\/[1-9]\d{0,8}\/(?:events|photo-counts)|house\/round\/lines|heat\/zones\/[1-9]\d{0,8}\/by-hand|weather\/readings|watering\/lines)$/;
