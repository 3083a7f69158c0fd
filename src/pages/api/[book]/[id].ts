import { bookParam, changeLine } from '../../../server/books/bookCalls.ts';
import { endpoint } from '../../../server/edge.ts';

export const PUT = endpoint(async (context) => changeLine(context, bookParam(context)));
