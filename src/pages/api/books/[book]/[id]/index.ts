import { bookParam, changeLine, remove } from '../../../../../server/books/bookCalls.ts';
import { endpoint } from '../../../../../server/edge.ts';

export const PUT = endpoint(async (context) => changeLine(context, bookParam(context)));
export const DELETE = endpoint(async (context) => remove(context, bookParam(context)));
