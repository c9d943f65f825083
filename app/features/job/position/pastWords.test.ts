import { pastWords } from './pastWords';

const turning = { seenFrom: 'front', sense: 'clockwise' } as const;

describe('what is told of a turn that went past its stop', () => {
  it('goes back only where the sheet says that the engine may be turned back', () => {
    const may = pastWords({ cycle: 4, rotation: { ...turning, reversible: true } });
    expect(may).toBe('Past it: go well back, and come up again in the same direction.');
    const never = pastWords({ cycle: 4, rotation: { ...turning, reversible: false } });
    expect(never).toBe('Never backwards on this engine. Past it: go on 720°.');
    expect(pastWords({ cycle: 2, rotation: turning })).toContain('go on 360°');
  });

  it('tells no rule of the maker where the sheet says nothing of turning', () => {
    expect(pastWords({ cycle: 4 })).toBe(
      'Not backwards: the sheet does not say that it may be. Past it: go on 720°.',
    );
  });
});
