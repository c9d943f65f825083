/** The usual four-stroke lobes, degrees after a cylinder's firing TDC. */
const LOBES = { intake: [345, 575], exhaust: [130, 375] } as const;

const wrap = (angle: number) => ((angle % 720) + 720) % 720;

/** How an engine of this firing order feels, by the lobes alone. */
export class Rockers {
  constructor(
    private readonly order: readonly number[],
    /** These are always firm. */
    private readonly tight: readonly string[] = [],
  ) {}

  /** What a rocker does with the crank at an angle. */
  state(id: string, at: number): 'loose' | 'firm' {
    if (this.tight.includes(id)) return 'firm';
    const [opens, closes] = this.lobe(id);
    const into = wrap(at - this.fires(id) - opens);
    return into > 0 && into < closes - opens ? 'firm' : 'loose';
  }

  /** Where a valve has stopped going down. */
  peak(id: string): number {
    const [opens, closes] = this.lobe(id);
    return wrap(this.fires(id) + (opens + closes) / 2);
  }

  private lobe(id: string): readonly [number, number] {
    return LOBES[id.startsWith('intake') ? 'intake' : 'exhaust'];
  }

  private fires(id: string): number {
    const place = this.order.indexOf(Number(id.split('.')[1]));
    return (720 / this.order.length) * place;
  }
}
