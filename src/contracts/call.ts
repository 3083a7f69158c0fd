import type { z } from 'zod';

/** A call of the application: its method, address, body and answer. */
export interface Call {
  readonly method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  readonly path: string;
  readonly summary: string;
  readonly body?: z.ZodType;
  /** Answer when it went well. */
  readonly status: number;
  readonly type?: string;
}
