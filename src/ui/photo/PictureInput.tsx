import { useId } from 'react';

interface Props {
  readonly label: string;
  /** The camera is opened at once, where the device has one. */
  readonly camera?: boolean;
  readonly solid?: boolean;
  readonly onPicture: (file: File) => void;
}

/** A button that asks for a picture: from the camera, or one there is. */
export function PictureInput({ label, camera = false, solid = false, onPicture }: Props) {
  const id = useId();
  return (
    <label className={`btn min-h-14 cursor-pointer focus-within:outline-2 ${solid ? 'solid' : ''}`} htmlFor={id}>
      {label}
      <input
        id={id}
        type="file"
        accept="image/*"
        {...(camera ? { capture: 'environment' as const } : {})}
        className="sr-only"
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) onPicture(file);
          // The same picture once more is asked for once more.
          e.target.value = '';
        }}
      />
    </label>
  );
}
