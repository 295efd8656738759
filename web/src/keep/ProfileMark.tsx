import { BadgeCheck, CircleDashed, CircleSlash, FlaskConical, Hourglass } from 'lucide-react';

import type { Schemas } from '../api/client';
import { PROFILE_WORDS } from '../ui/words';

/** The state of a profile as a word with a shape; one that is past its review says so. */
export function ProfileMark({ profile }: { profile: Schemas['Profile'] }) {
    const signed = profile.status === 'validated' || profile.status === 'trial';
    const due = signed && profile.reviewBy !== null && new Date(profile.reviewBy) < new Date();
    const [Icon, look] = due
        ? ([Hourglass, 'text-brass'] as const)
        : {
              unsigned: [CircleDashed, 'text-ink'] as const,
              validated: [BadgeCheck, 'text-sound'] as const,
              trial: [FlaskConical, 'text-brass'] as const,
              withdrawn: [CircleSlash, 'text-soft'] as const,
          }[profile.status];
    return (
        <span className={`inline-flex items-center gap-1.5 font-[650] ${look}`}>
            <Icon className="size-5" aria-hidden />
            {due ? `${PROFILE_WORDS[profile.status]}, review due` : PROFILE_WORDS[profile.status]}
        </span>
    );
}
