declare module 'odex' {
  export class Solver {
    constructor(n: number);
    absoluteTolerance: number;
    relativeTolerance: number;
    solve(f: (x: number, y: number[]) => number[], x0: number, y0: number[], xEnd: number): { y: number[] };
  }
}
