import { expose } from './comlink';

type Answers = Parameters<typeof expose>[0];

/** Does something while the engine answers some questions otherwise than it would. None may be left without an answer. */
export async function whileEngineAnswers(answers: Answers, work: () => Promise<void>): Promise<void> {
  const real = expose({});
  expose({ ...real, ...answers });
  try {
    await work();
  } finally {
    expose(real);
  }
}
