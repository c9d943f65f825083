/** The settings of a serial port, as they are printed in a gauge's manual. */
export type PortSettings = {
  baudRate: number;
  dataBits: 7 | 8;
  parity: 'none' | 'even' | 'odd';
  stopBits: 1 | 2;
};

/** What is used of a port of the browser's (Web Serial). */
type Port = {
  open(settings: PortSettings): Promise<void>;
  close(): Promise<void>;
  readonly readable: ReadableStream<Uint8Array> | null;
};
type Serial = { getPorts(): Promise<Port[]>; requestPort(): Promise<Port> };

/** The browser's serial ports; none where it has none, or the page is not secure. */
function serial(): Serial | undefined {
  return (navigator as unknown as { serial?: Serial }).serial;
}

export const HAS_SERIAL = typeof navigator !== 'undefined' && serial() !== undefined;

/** A port that is open: what it sends comes to `onText` until it is closed or pulled out. */
export type OpenPort = { closed: Promise<void>; close(): Promise<void> };

/**
 * Opens the port that was allowed before, or asks for one (which only a tap may do). Rejects with
 * the browser's reason where none is chosen or it cannot be opened.
 */
export async function openPort(
  settings: PortSettings,
  onText: (text: string) => void,
): Promise<OpenPort> {
  const ports = serial();
  if (!ports) throw new Error('This browser has no serial ports.');
  const port = (await ports.getPorts())[0] ?? (await ports.requestPort());
  await port.open(settings);
  const reader = port.readable?.getReader();
  const decoder = new TextDecoder();
  const read = async () => {
    try {
      for (;;) {
        const next = await reader?.read();
        if (!next || next.done) return;
        onText(decoder.decode(next.value, { stream: true }));
      }
    } finally {
      reader?.releaseLock();
      await port.close();
    }
  };
  return {
    closed: read(),
    close: async () => {
      await reader?.cancel();
    },
  };
}
