import { useId, useState } from 'react';
import { PHOTO_px, type PhotoOf } from '../../contracts/house/photos.ts';
import { freshKey, trouble } from '../call.ts';
import { Field } from '../Field.tsx';
import { sayHere } from '../kit/said.ts';
import { dataUrlOf, keepPhoto, type PictureTaken } from './keepPhoto.ts';
import { PictureInput } from './PictureInput.tsx';
import { readPhoto } from './readPhoto.ts';
import { WORDS } from '../../words/en/house/photos.ts';

interface Props {
  readonly of: PhotoOf;
  /** Name of what is shown, for the list of what waits. */
  readonly name: string;
  readonly today: number;
  readonly onKept?: () => void;
  /** Without a way to choose a picture there is: where it is taken in passing. */
  readonly cameraOnly?: boolean;
}

/** Takes a photo, shows it as it will be kept, and keeps it: sent at once, or when there is a network. */
export function TakePhoto({ of, name, today, onKept, cameraOnly = false }: Props) {
  const [taken, setTaken] = useState<PictureTaken | null>(null);
  const [note, setNote] = useState('');
  const [wrong, setWrong] = useState('');
  const [busy, setBusy] = useState(false);
  const id = useId();

  async function take(file: File): Promise<void> {
    setWrong('');
    try {
      const picture = await (await readPhoto(file, PHOTO_px)).toJpeg();
      setTaken({ url: await dataUrlOf(picture), key: freshKey() });
    } catch (error) {
      setWrong((error as Error).message);
    }
  }

  async function keep(): Promise<void> {
    if (!taken || busy) return;
    setBusy(true);
    const answer = await keepPhoto(of, name, today, note, taken);
    setBusy(false);
    if (answer.kind === 'problem' || answer.kind === 'offline') return setWrong(trouble(answer));
    sayHere({
      words: answer.kind === 'done' ? WORDS.kept : answer.lasts ? WORDS.keptHere : WORDS.keptUntilClosed,
    });
    setTaken(null);
    setNote('');
    onKept?.();
  }

  return (
    <div className="no-print">
      {!taken && (
        <div className="flex flex-wrap gap-2">
          <PictureInput label={WORDS.takeAPhoto} camera onPicture={(file) => void take(file)} />
          {!cameraOnly && <PictureInput label={WORDS.chooseAPicture} onPicture={(file) => void take(file)} />}
        </div>
      )}
      {taken && (
        <form
          className="card flex flex-wrap items-end gap-4"
          data-typing
          onSubmit={(e) => {
            e.preventDefault();
            void keep();
          }}
        >
          <img src={taken.url} alt={WORDS.theNewPhoto} className="max-h-64 w-full max-w-80 object-contain" />
          <div className="min-w-[240px] flex-1">
            <Field id={`${id}note`} label={WORDS.note} value={note} maxLength={500} onValue={setNote} />
            <div className="mt-3 flex flex-wrap gap-2">
              <button type="submit" className="btn solid min-h-14 flex-1" disabled={busy}>
                {WORDS.keep}
              </button>
              <button type="button" className="btn min-h-14" onClick={() => setTaken(null)}>
                {WORDS.discard}
              </button>
            </div>
          </div>
        </form>
      )}
      {wrong && (
        <p role="alert" className="note-bar bad mt-2">
          {wrong}
        </p>
      )}
    </div>
  );
}
