import { AskedFor } from './askedFor';

const pump = { id: 'pump', hours: 100 };
const gate = { id: 'gate', hours: 200 };
const LATER = 900_000;

describe('what a list asks for', () => {
  it('is all of it at first, and then only what has changed in it or is new', () => {
    const asked = new AskedFor();
    expect(asked.due([pump, gate], 0)).toEqual(['pump', 'gate']);
    expect(asked.due([pump, gate], 1)).toEqual([]);
    const read = { ...pump, hours: 101 };
    expect(asked.due([read, gate, { id: 'barge' }], 2)).toEqual(['pump', 'barge']);
    expect(asked.due([gate, read], 3)).toEqual([]);
  });

  it('is asked for again after a quarter of an hour, or where it was not answered', () => {
    const asked = new AskedFor();
    asked.due([pump, gate], 0);
    asked.forget('gate');
    expect(asked.due([pump, gate], 1)).toEqual(['gate']);
    expect(asked.due([pump, gate], LATER)).toEqual(['pump']);
    expect(asked.due([pump, gate], LATER + 1)).toEqual(['gate']);
  });
});
