import { describe, expect, it } from 'vitest';
import {
  areaWords,
  differenceWords,
  lengthWords,
  moneyWords,
  temperatureWords,
  volumeWords,
  windWords,
} from './words.ts';

describe('figures with their unit', () => {
  it('in a Celsius and in a Fahrenheit house', () => {
    expect([
      temperatureWords(18.5, 'C'),
      temperatureWords(18.5, 'F'),
      temperatureWords(-0.04, 'C'),
      temperatureWords(-3, 'C'),
    ]).toEqual(['18.5°C', '65°F', '0°C', '−3°C']);
    // A difference is no temperature: 2 K is 3.6 of Fahrenheit's degrees, not 35.6.
    expect([differenceWords(2, 'C'), differenceWords(2, 'F')]).toEqual(['2 °C', '3.6 °F']);
    expect([windWords(10, 'C'), windWords(10, 'F')]).toEqual(['36 km/h', '22 mph']);
  });
  it('in centimetres and in inches', () => {
    expect([lengthWords(100, 'cm'), lengthWords(100, 'in'), lengthWords(2540, 'in')]).toEqual([
      '10 cm',
      '3.9 in',
      '100 in',
    ]);
    // Handbook values: 1 m2 is 10.764 square feet, a US gallon 3.785 litres.
    expect([areaWords(12, 'cm'), areaWords(12, 'in'), areaWords(0.5, 'cm')]).toEqual(['12 m²', '129 sq ft', '0.5 m²']);
    expect([volumeWords(0.8, 'in'), volumeWords(0.8, 'cm')]).toEqual(['1.7 pt', '0.8 L']);
    expect([volumeWords(1200, 'cm'), volumeWords(3.785411784, 'in')]).toEqual(['1,200 L', '1 gal']);
  });
  it('money says whose', () => {
    expect([
      moneyWords(12.5, 'EUR'),
      moneyWords(1234.5, 'USD'),
      moneyWords(-3, 'GBP'),
      moneyWords(-0.001, 'EUR'),
    ]).toEqual(['€12.50', 'US$1,235', '−£3.00', '€0.00']);
  });
});
