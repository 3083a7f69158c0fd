/** Gusts are not foretold to half a metre a second: what reads the same is the same, km/h or mph. Common practice, no source. */
const ALIKE_m_s = 0.45;

/** Whether a gust is more than is borne. Used by ladders and gates alike. */
export function tooWindy(gust_m_s: number, bears_m_s: number): boolean {
  return gust_m_s > bears_m_s + ALIKE_m_s;
}
