declare module 'ml-cart' {
  export class DecisionTreeClassifier {
    constructor(options?: { gainFunction?: string; maxDepth?: number; minNumSamples?: number });
    train(rows: number[][], labels: number[]): void;
    predict(rows: number[][]): number[];
  }
}
