/** A path of this application to go on to, from an address that anybody may have written; elsewhere it leads to the round. */
export function pathWithin(wanted: string | null): string {
  if (wanted === null || !/^\/(?![/\\])[^\\\s]*$/.test(wanted)) return '/';
  return /^\/(?:api\/|house\/(?:sign-in|join)\b)/.test(wanted) ? '/' : wanted;
}
