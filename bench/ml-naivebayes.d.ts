declare module 'ml-naivebayes' {
  export class MultinomialNB {
    train(rows: number[][], labels: number[]): void;
    predict(rows: number[][]): number[];
  }
}
