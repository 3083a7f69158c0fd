declare module 'psychrolib' {
  const psychrolib: {
    readonly SI: number;
    SetUnitSystem(system: number): void;
    /** Pa at degrees C. */
    GetSatVapPres(temperature: number): number;
    GetVapPresFromRelHum(temperature: number, humidity: number): number;
    GetHumRatioFromRelHum(temperature: number, humidity: number, pressure: number): number;
    GetVaporPressureDeficit(temperature: number, humidityRatio: number, pressure: number): number;
  };
  export default psychrolib;
}
