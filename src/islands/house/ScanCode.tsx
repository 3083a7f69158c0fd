import { useEffect, useId, useRef, useState } from 'react';
import { readTrayCode, trayCode } from '../../core/batch/trayCode.ts';
import { PictureInput } from '../../ui/photo/PictureInput.tsx';
import { codeReader, type ReadCode } from '../../ui/photo/readCode.ts';
import { readPhoto } from '../../ui/photo/readPhoto.ts';
import { WORDS } from '../../words/en/house/scan.ts';

/** How often the camera's picture is looked at. */
const LOOK_ms = 150;
const WIDE_px = 1200;

type State = 'off' | 'asking' | 'looking' | 'refused' | 'none';

/** Reads the code of a tray's label by the camera, by a picture, or as it is typed, and opens the tray with the job that is due. */
export function ScanCode() {
  const id = useId();
  const video = useRef<HTMLVideoElement>(null);
  const stream = useRef<MediaStream | null>(null);
  const [state, setState] = useState<State>('off');
  const [said, setSaid] = useState('');
  /** Read from a label of another address, to be opened all the same. */
  const [elsewhere, setElsewhere] = useState<string | null>(null);
  const [ready, setReady] = useState(false);
  useEffect(() => {
    setReady(true);
    const held = stream;
    return () => held.current?.getTracks().forEach((track) => track.stop());
  }, []);

  function open(text: string): boolean {
    const read = readTrayCode(text);
    if (!read) {
      setSaid(WORDS.noTrayCode(text.slice(0, 60)));
      return false;
    }
    const to = `/t/${read.tray === null ? read.code : trayCode(read.code, read.tray)}`;
    if (/^https?:/i.test(text) && URL.canParse(text) && new URL(text).host !== location.host) {
      setElsewhere(to);
      setSaid(WORDS.ofAnotherNursery(new URL(text).host, read.code));
      return true;
    }
    location.assign(to);
    return true;
  }

  async function start(): Promise<void> {
    setSaid('');
    setElsewhere(null);
    const devices = navigator.mediaDevices as MediaDevices | undefined;
    if (!devices?.getUserMedia) return setState('none');
    setState('asking');
    let read: ReadCode;
    try {
      [stream.current, read] = await Promise.all([
        devices.getUserMedia({ video: { facingMode: 'environment' }, audio: false }),
        codeReader(),
      ]);
    } catch (error) {
      const { name } = error as Error;
      return setState(name === 'NotAllowedError' || name === 'SecurityError' ? 'refused' : 'none');
    }
    setState('looking');
    const seen = video.current!;
    seen.srcObject = stream.current;
    await seen.play().catch(() => undefined);
    while (stream.current?.active) {
      const text = await read(seen);
      if (text !== null && open(text)) break;
      await new Promise((soon) => setTimeout(soon, LOOK_ms));
    }
    stream.current?.getTracks().forEach((track) => track.stop());
    setState('off');
  }

  async function fromPicture(file: File): Promise<void> {
    try {
      const { pixels } = await readPhoto(file, WIDE_px);
      const canvas = document.createElement('canvas');
      canvas.width = pixels.width;
      canvas.height = pixels.height;
      canvas.getContext('2d')?.putImageData(pixels, 0, 0);
      const text = await (await codeReader())(canvas);
      if (text === null) setSaid(WORDS.noCodeInPicture);
      else open(text);
    } catch (error) {
      setSaid((error as Error).message);
    }
  }

  return (
    <div data-ready={ready} className="max-w-md">
      <video
        ref={video}
        muted
        playsInline
        className={`w-full bg-ink ${state === 'looking' ? '' : 'hidden'}`}
        aria-label={WORDS.cameraPicture}
      />
      {(state === 'refused' || state === 'none') && (
        <p role="alert" className="note-bar bad mt-2">
          {state === 'refused' ? WORDS.cameraRefused : WORDS.noCamera}
        </p>
      )}
      <p role="status" className={said ? 'note-bar mt-2' : 'sr-only'}>
        {said || (state === 'looking' ? WORDS.holdOver : '')}
      </p>
      {elsewhere && (
        <a className="btn mt-2 min-h-12" href={elsewhere}>
          {WORDS.openHereAllTheSame}
        </a>
      )}
      <div className="mt-3 grid grid-cols-2 gap-2">
        <button
          type="button"
          className="btn solid min-h-14"
          disabled={state === 'asking' || state === 'looking'}
          onClick={() => void start()}
        >
          {state === 'looking' ? WORDS.looking : WORDS.startCamera}
        </button>
        <PictureInput label={WORDS.fromPicture} camera onPicture={(file) => void fromPicture(file)} />
      </div>
      <form action="/t" method="get" className="mt-4 flex items-end gap-2">
        <div className="field flex-1">
          <label htmlFor={`${id}t`}>{WORDS.orType}</label>
          <input
            id={`${id}t`}
            className="input"
            name="code"
            autoCapitalize="characters"
            autoComplete="off"
            maxLength={12}
          />
        </div>
        <button className="btn min-h-12" type="submit">
          {WORDS.open}
        </button>
      </form>
    </div>
  );
}
