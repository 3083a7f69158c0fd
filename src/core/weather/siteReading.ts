/** A reading as it stands; days are day numbers, temperatures with the thermometer's error taken off. */
export interface SiteReading {
  readonly id: number;
  readonly kind: 'max-min' | 'soil';
  readonly day: number;
  readonly coverId: number | null;
  readonly least_C: number | null;
  readonly most_C: number | null;
  readonly gust_m_s: number | null;
  readonly soil_C: number | null;
  readonly offset_K: number;
  readonly note: string;
  readonly correctsId: number | null;
}
