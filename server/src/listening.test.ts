import { placeFrom } from './listening';

describe('where it is served', () => {
  it('is this machine alone, unless the environment has another address', () => {
    expect(placeFrom({})).toMatchObject({ host: '127.0.0.1', url: 'http://127.0.0.1:8640/' });
    expect(placeFrom({ PORT: '9000', HOST: '10.1.2.3' }).url).toBe('http://10.1.2.3:9000/');
  });

  it('is found, and opened, by the name of what stands in front', () => {
    const place = placeFrom({
      LONGBAR_ADDRESS: 'https://longbar.example/anywhere',
      LONGBAR_HOSTS: 'shed.example',
    });
    expect(place.url).toBe('https://longbar.example/');
    expect(place.hosts).toEqual(['shed.example', '127.0.0.1', 'longbar.example']);
  });

  it('is said to be wrong in words', () => {
    expect(() => placeFrom({ LONGBAR_ADDRESS: 'longbar.example' })).toThrow(/LONGBAR_ADDRESS is/);
    expect(() => placeFrom({ PORT: 'door' })).toThrow(/PORT is/);
  });
});
