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
