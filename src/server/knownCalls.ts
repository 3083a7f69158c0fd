import { CALLS } from '../contracts/api.ts';

interface KnownPath {
  readonly pattern: RegExp;
  readonly methods: Set<string>;
}

const known = new Map<string, KnownPath>();
for (const { path, method } of CALLS) {
  const at = known.get(path) ?? {
    pattern: new RegExp(`^${path.replaceAll('.', '\\.').replace(/\{\w+\}/g, '[^/]+')}/?$`),
    methods: new Set<string>(),
  };
  at.methods.add(method.toUpperCase());
  known.set(path, at);
}

/** Methods a path of the API is called by; null where there is no such call. */
export function methodsOf(pathname: string): readonly string[] | null {
  const found = [...known.values()].filter(({ pattern }) => pattern.test(pathname));
  return found.length === 0 ? null : [...new Set(found.flatMap(({ methods }) => [...methods]))].sort();
}
