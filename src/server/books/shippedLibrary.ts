import { cropsFromLibrary } from '../../contracts/books/cropLibrary.ts';
import bolting from '../../stores/crop-bolting.csv?raw';
import crops from '../../stores/crop-library.csv?raw';
import tables from '../../stores/crop-tables.csv?raw';
import emergenceDays from '../../stores/emergence-days.csv?raw';
import emergencePercent from '../../stores/emergence-percent.csv?raw';

/** The crop library that ships with the application, built into it: what a crop's page holds the house's figures against. */
export const SHIPPED_CROPS = cropsFromLibrary({ crops, tables, bolting, emergenceDays, emergencePercent });
