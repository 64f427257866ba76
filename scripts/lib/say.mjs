/** One line to the person at the terminal. */
export const say = (text) => process.stdout.write(`${text}\n`);

/** Something that a person can mend: one sentence of what is wrong and what to do, and out. */
export class Stop extends Error {}

/** Run the script's main part; a {@link Stop} is shown as its sentence only. */
export async function main(run) {
  try {
    await run();
  } catch (error) {
    process.stderr.write(`${error instanceof Stop ? error.message : error.stack}\n`);
    process.exit(1);
  }
}
