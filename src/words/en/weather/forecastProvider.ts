import { catalogue } from '../../catalogue.ts';

/** What server/weather/forecastProvider.ts says. */
export const WORDS = catalogue({
  noAnswerWithinSeconds: (wait_ms: number) => `no answer within ${wait_ms} seconds`,
  itCannotBeReached: 'it cannot be reached',
  itAnswered: (status: number) => `it answered ${status}`,
  itAnsweredWhatIsNot: 'it answered what is not JSON',
  itsAnswerBrokeOff: 'its answer broke off',
  itsAnswerIsLargerThan: (forecastBytes: number) => `its answer is larger than ${forecastBytes} KB`,
});
