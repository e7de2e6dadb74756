/** Something the reader can act on: printed as it is, without a stack trace. */
export class Refusal extends Error {}

/** Runs a script's main function; a refusal ends it with its message alone. */
export async function runMain(main) {
  try {
    process.exitCode = (await main()) ?? 0;
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    console.error(`\n${error.message}\n`);
    process.exitCode = 1;
  }
}
