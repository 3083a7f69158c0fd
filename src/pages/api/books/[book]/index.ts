import { bookParam, readBookLines, addLine } from '../../../../server/books/bookCalls.ts';
import { endpoint } from '../../../../server/edge.ts';

export const GET = endpoint(async (context) => readBookLines(bookParam(context)));
export const POST = endpoint(async (context) => addLine(context, bookParam(context)));
