/** Numbers of the advisory locks of the database: all of them stand here, so that no two things share one. */
export const LOCKS = {
  /** Only the one who holds it migrates. */
  migrate: 727_272,
  /** Batches are made one at a time, so that two made at once do not get the same letter. */
  newBatch: 727_273,
  /** Readings by the hour are written one file at a time. */
  readings: 727_275,
  /** Only one changes the plan of the season at a time. */
  plan: 727_274,
  /** With a second number: the key a call is made under. */
  callKey: 727_276,
  /** Seasons are made, closed and opened again one at a time. */
  seasons: 727_277,
} as const;
