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

/** Does something while the engine judges nothing until it is let go, at the latest at the end. */
export async function whileEngineWaits(work: (letGo: () => void) => Promise<void>): Promise<void> {
  let letGo = (): void => {};
  const free = new Promise<void>((go) => {
    letGo = go;
  });
  const real = expose({});
  const judge = async (...asked: readonly unknown[]): Promise<unknown> => {
    await free;
    return real.judge?.(...asked);
  };
  expose(real);
  await whileEngineAnswers({ judge }, () => work(letGo).finally(letGo));
}
