import { questionsIn, viewsOf } from '../../knowledge/index.ts';
import { methodFacts } from '../report.ts';
import { ownWording, type Reported } from './kind.ts';

/** How it was done, by which standard, and how this firm decides where practitioners differ. */
export function method(reported: Reported) {
  const { report, firm } = reported;
  const { code, schools } = report.practice;
  return {
    own: ownWording(reported, 'method'),
    facts: methodFacts(report.house),
    standard: firm.standard,
    edition: code.edition,
    /** The view that is held first. */
    questions: questionsIn(report.house.region).map((id) => ({ id, views: viewsOf(id, schools) })),
  };
}
