/**
 * How things are dragged over a drawing: by the pointer alone, each drawing has keys of its own; farther than a few pixels, so that a press
 * is a press; followed over the whole window, for what was pressed may be drawn anew elsewhere meanwhile.
 */
export const BY_POINTER = { threshold: 5, filterTaps: true, pointer: { keys: false, capture: false } } as const;
