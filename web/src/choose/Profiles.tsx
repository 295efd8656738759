import { Link } from '@tanstack/react-router';

import type { Schemas } from '../api/client';
import { say, tell } from '../words/say';

type Profile = Schemas['Choice']['profiles'][number];

/** What this shop has signed for the material, each with what stands against it for this job. */
export function Profiles({ profiles, count }: { profiles: Profile[]; count: number }) {
    if (count === 0) return null;
    return (
        <section aria-label={say('choose.profiles')} className="mt-8">
            <h2 className="mb-1">{say('choose.profiles_of_this_material')}</h2>
            <ul>
                {profiles.map((profile) => (
                    <li key={profile.id} className={`border-b border-line border-l-4 px-3 py-2 ${profile.trust === 'proven' ? 'border-l-sound' : 'border-l-strong'}`}>
                        <p className="flex flex-wrap items-baseline justify-between gap-x-4">
                            <Link to="/keep/$id" params={{ id: profile.id }} className="font-[650]">{profile.title}</Link>
                            <span className={profile.trust === 'proven' ? 'font-[650] text-sound' : 'text-ink'}>{profile.trustWords}</span>
                        </p>
                        <p className="text-[0.9375rem] text-soft">{profile.dial?.words}</p>
                        <details>
                            <summary className="flex min-h-11 cursor-pointer items-center text-[0.9375rem] sm:min-h-8">
                                {against(profile).length === 0 ? say('choose.all_points_fit') : against(profile).map((point) => `${point.inScope === false ? '✗' : '?'} ${point.sentence}`).join(' ')}
                            </summary>
                            <ul className="text-[0.9375rem] text-soft">
                                {profile.points.filter((point) => point.inScope === true).map((point) => (
                                    <li key={point.point}>✓ {point.sentence}</li>
                                ))}
                                {profile.restoredBy.map((words) => (
                                    <li key={words}>{words}</li>
                                ))}
                            </ul>
                        </details>
                    </li>
                ))}
            </ul>
            {count > profiles.length ? <p className="mt-2 text-soft">{tell('choose.more_profiles', { count: count - profiles.length, link: (words) => <Link to="/keep">{words}</Link> })}</p> : null}
        </section>
    );
}

/** What stands against it first, then what is open. */
function against(profile: Profile) {
    return profile.points.filter((point) => point.inScope !== true).sort((a, b) => (a.inScope === false ? 0 : 1) - (b.inScope === false ? 0 : 1));
}
