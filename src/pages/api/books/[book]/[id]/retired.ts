import { bookParam, retire } from '../../../../../server/books/bookCalls.ts';
import { endpoint } from '../../../../../server/edge.ts';

export const PUT = endpoint(async (context) => retire(context, bookParam(context)));
