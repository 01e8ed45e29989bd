/** A way readings come in, line by line: a device on a serial port, or a stand-in for one. */
export interface InstrumentPort {
  readonly name: string;
  readonly simulated: boolean;
  /** @param heard is given each line @param ended is told why when the line goes dead by itself */
  readonly open: (heard: (line: string) => void, ended: (why: string) => void) => Promise<void>;
  readonly close: () => Promise<void>;
}
