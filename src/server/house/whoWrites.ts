import { AGE_HEADER } from '../../contracts/house/device.ts';
import { PERSON_HEADER, personIn } from '../../contracts/house/holder.ts';

/**
 * Who writes by a call: as the call itself says (a line tapped by somebody and sent later), else whoever holds the device.
 * null: nobody said. The one place that decides it: sign-in, once there is one, decides it here.
 */
export function whoWrites(request: Request): number | null {
  const said = request.headers.get(PERSON_HEADER);
  if (said !== null) return /^[1-9]\d{0,8}$/.test(said) ? Number(said) : null;
  return personIn(request.headers.get('cookie') ?? '');
}

/** How many milliseconds ago what a call does was tapped, by the clock of the device it waited on; null: it did not wait. */
export function howOld(request: Request): number | null {
  const said = request.headers.get(AGE_HEADER);
  return said !== null && /^-?\d{1,14}$/.test(said) ? Number(said) : null;
}
