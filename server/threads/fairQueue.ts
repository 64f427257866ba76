import { HttpProblem } from '../http/errors';

/** What one station may have waiting before it is asked to come again. */
const MOST_WAITING = 400;

const tooBusy = () =>
  new HttpProblem(429, {
    code: 'too-busy',
    message: 'Your station has too much under way at once. Wait for some of it to be done, then try again; nothing was lost.',
  });

/**
 * Work of many stations on few places: each station waits in a line of its own, and
 * the next place goes to the next station that waits, so that one that asks for much
 * holds up itself and nobody else.
 */
export class FairQueue {
  private readonly lines = new Map<string, (() => void)[]>();
  private busy = 0;

  constructor(
    private readonly places: number,
    private readonly most = MOST_WAITING,
  ) {}

  /**
   * @param station whose work it is.
   * @throws 429 where the station has too much waiting.
   */
  async run<T>(station: string, work: () => Promise<T>): Promise<T> {
    if (this.busy >= this.places) await this.turn(station);
    else this.busy++;
    try {
      return await work();
    } finally {
      this.next();
    }
  }

  /** How many wait, of all stations. */
  get waiting(): number {
    return [...this.lines.values()].reduce((sum, line) => sum + line.length, 0);
  }

  private turn(station: string): Promise<void> {
    const line = this.lines.get(station) ?? [];
    if (line.length >= this.most) throw tooBusy();
    this.lines.set(station, line);
    return new Promise((resolve) => line.push(resolve));
  }

  /** A place is given on to who waits, or becomes free. */
  private next(): void {
    const [first] = this.lines;
    if (!first) {
      this.busy--;
      return;
    }
    const [station, line] = first;
    // The station goes to the end of the stations, with what it has left.
    this.lines.delete(station);
    const begin = line.shift()!;
    if (line.length) this.lines.set(station, line);
    begin();
  }
}
