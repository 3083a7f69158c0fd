/** The room of something that is on its way: hatched, so that nothing jumps when it comes. */
export function Waiting({ words }: { readonly words: string }) {
  return (
    <div className="kit-waiting" role="status">
      <span>{words}</span>
    </div>
  );
}
