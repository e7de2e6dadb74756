import { diagnosisOf, parseDiagnosisInput, searchTime, usualLimits } from '@fair-plug/core/engine';
import { enUs, problemInWords, wrongInWords } from '@fair-plug/core/words';
import { z } from 'zod';
import { answer, bodyOf, Problem } from '../answers';
import { answerPerson } from '../gate';

/** Longest that one question may keep the server busy. */
const mostMilliseconds = 3000;
const mostOutlets = 60;

/** What `fairplug diagnose` answers, for a diagnosis file in the body: the engine that browsers run, on the server. */
export const POST = (request: Request): Promise<Response> =>
  answerPerson(request, async () => {
    const parsed = parseDiagnosisInput(await bodyOf(request, z.unknown()));
    if (parsed.kind === 'problems')
      throw new Problem('invalid', parsed.problems.map(problemInWords).slice(0, 5).join('; '), {
        fields: parsed.problems
          .slice(0, 20)
          .map(({ path, wrong }) => ({ path, message: wrongInWords(wrong) })),
      });
    const { circuit, readings } = parsed.value;
    if ((circuit?.outlets.length ?? 0) > mostOutlets || readings.length > 20 * mostOutlets)
      throw new Problem('too-large', `A question may be about at most ${mostOutlets} outlets.`);
    const started = performance.now();
    const most = searchTime(mostMilliseconds, circuit?.outlets.length ?? 0);
    const isOver = () => performance.now() - started > most;
    return answer(diagnosisOf(parsed.value, enUs, { ...usualLimits, isOver }));
  });
