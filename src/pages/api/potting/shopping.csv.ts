import { endpoint, file } from '../../../server/edge.ts';
import { stockPage } from '../../../server/potting/pages.ts';
import { shoppingCsv } from '../../../server/potting/stock.ts';

export const GET = endpoint(async () => {
  const { lines, today } = await stockPage();
  return file(shoppingCsv(lines, today), 'text/csv', 'crook-shopping.csv');
});
