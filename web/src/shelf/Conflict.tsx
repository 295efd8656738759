import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';

/** Both versions of a row that somebody else changed meanwhile; nothing that was entered is lost. */
export function Conflict({ mine, theirs, onTakeTheirs, onVersion }: { mine: object; theirs: Record<string, unknown>; onTakeTheirs: (theirs: object) => void; onVersion: (version: number) => void }) {
    const entries = Object.entries(mine as Record<string, unknown>);
    const differing = entries.filter(([name, value]) => JSON.stringify(value) !== JSON.stringify(theirs[name]));
    const version = typeof theirs['version'] === 'number' ? theirs['version'] : 0;
    return (
        <Notice tone="caution">
            <p className="mb-2 font-[650]">Somebody changed this meanwhile.</p>
            <table className="ledger w-full">
                <thead>
                    <tr>
                        <th>Field</th>
                        <th>Yours</th>
                        <th>Theirs</th>
                    </tr>
                </thead>
                <tbody>
                    {differing.map(([name, value]) => (
                        <tr key={name}>
                            <td>{name}</td>
                            <td>{JSON.stringify(value)}</td>
                            <td>{JSON.stringify(theirs[name])}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
            <div className="mt-3 flex flex-wrap gap-2">
                <Button
                    onClick={() => {
                        onVersion(version);
                        onTakeTheirs(Object.fromEntries(entries.map(([name]) => [name, theirs[name]])));
                    }}
                >
                    Take theirs
                </Button>
                <Button type="submit" onClick={() => onVersion(version)}>
                    Keep mine and save
                </Button>
            </div>
        </Notice>
    );
}
