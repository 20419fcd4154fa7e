/** Problems as rows keep them, for tests. */
import { problem, writeProblem, type ProblemText } from '../../src/lib/core/problems/problem.ts';

/** One that is told as it stands here. */
export const told = (say: string): ProblemText => writeProblem(problem('told', { say }));

/** A rule of robots.txt that decides. */
export const rule = (written: `${'Allow' | 'Disallow'}: ${string}`, file: string, line: number): ProblemText => {
    const [directive, pattern] = written.split(': ') as [string, string];
    return writeProblem(problem('robots-rule', { allows: directive === 'Allow', pattern, file, line }));
};
