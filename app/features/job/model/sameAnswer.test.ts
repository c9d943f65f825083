import { SameAnswer } from './sameAnswer';

const turned = { type: 'crank.turned', degrees: 90, how: 'barred', after: null } as const;

describe('a tap that says the same once more', () => {
  it('counts once at one drawing of the job, and again at the next', () => {
    const answers = new SameAnswer();
    const [first, next] = [{}, {}];
    expect(answers.isAgain(first, [turned])).toBe(false);
    expect(answers.isAgain(first, [turned])).toBe(true);
    expect(answers.isAgain(next, [turned])).toBe(false);
  });

  it('is another where it says something else', () => {
    const answers = new SameAnswer();
    const drawn = {};
    expect(answers.isAgain(drawn, [turned])).toBe(false);
    expect(answers.isAgain(drawn, [{ ...turned, degrees: 91 }])).toBe(false);
    expect(answers.isAgain(drawn, [turned])).toBe(false);
  });

  it('says it for the first time where it was not kept', () => {
    const answers = new SameAnswer();
    const drawn = {};
    answers.isAgain(drawn, [turned]);
    answers.forget();
    expect(answers.isAgain(drawn, [turned])).toBe(false);
  });
});
