import type { components } from './schema';

/** One thing in the way, as the server tells it. */
export type ProblemDetail = components['schemas']['Problem'];

/** A failure as the server tells it (RFC 9457), or that it could not be reached. Screens switch on `code`. */
export class Problem extends Error {
  private constructor(
    readonly code: string,
    readonly problems: ProblemDetail[],
    readonly status: number,
  ) {
    super(problems[0]?.text ?? code);
  }

  get remedy(): string {
    return this.problems[0]?.remedy ?? '';
  }

  static of(body: unknown, status: number): Problem {
    if (typeof body === 'object' && body !== null && 'problems' in body && 'code' in body) {
      const told = body as { code: string; problems: ProblemDetail[] };
      return new Problem(told.code, told.problems, status);
    }
    const detail = {
      code: 'unexpected',
      subject: 'server',
      text: `The server answered with ${status}.`,
      remedy: 'Try again.',
    };
    return new Problem(detail.code, [detail], status);
  }

  static unreachable(): Problem {
    const detail = {
      code: 'unreachable',
      subject: 'server',
      text: 'Embrick cannot be reached.',
      remedy: 'See that it is running, then try again. Nothing is lost.',
    };
    return new Problem(detail.code, [detail], 0);
  }

  static from(error: unknown): Problem {
    return error instanceof Problem ? error : Problem.of(undefined, 0);
  }
}
