declare module 'ml-cart' {
  export interface TreeNode {
    left?: TreeNode;
    right?: TreeNode;
    splitColumn?: number;
    splitValue?: number;
  }
  export class DecisionTreeClassifier {
    constructor(options?: { gainFunction?: string; maxDepth?: number; minNumSamples?: number });
    root: TreeNode;
    train(rows: number[][], labels: number[]): void;
    predict(rows: number[][]): number[];
  }
}
