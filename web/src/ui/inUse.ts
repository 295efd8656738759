type Kind = { id: string; name: string; retired?: boolean };

/** What may be chosen of a list: all that is in use, and what is chosen already. */
export function inUse(kinds: Kind[], chosen = ''): { value: string; label: string }[] {
    return kinds.filter((kind) => !kind.retired || kind.id === chosen).map((kind) => ({ value: kind.id, label: kind.name }));
}
