const VALID_ID = /^[A-Za-z_][\w.-]{0,63}$/;

/**
 * Gives every bar and note an id of its own: the written one where it is usable and free, else one made from its place.
 */
export function idGiver(): (written: string | null, made: string) => { id: string; replaced: boolean } {
  const used = new Set<string>();
  return (written, made) => {
    if (written !== null && VALID_ID.test(written) && !used.has(written)) {
      used.add(written);
      return { id: written, replaced: false };
    }
    let id = made;
    for (let n = 2; used.has(id); n += 1) id = `${made}-${n}`;
    used.add(id);
    return { id, replaced: written !== null };
  };
}
