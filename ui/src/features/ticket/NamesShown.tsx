/** The names that files will have: the first, the last and the longest of them. */
export function NamesShown({ names }: { names: string[] }) {
  const given = names.filter(Boolean);
  const first = given[0];
  if (!first) return null;
  const last = given[given.length - 1]!;
  const longest = given.reduce((most, name) => (name.length > most.length ? name : most), first);
  return (
    <p className="quiet names-shown">
      First <b>{first}</b>
      {given.length > 1 && (
        <>
          , last <b>{last}</b>
        </>
      )}
      {longest !== first && longest !== last && (
        <>
          , longest <b>{longest}</b>
        </>
      )}
    </p>
  );
}
