import { BadgeCheck, CircleDashed, CircleSlash, FlaskConical, Hourglass, ShieldQuestion } from 'lucide-react';

import type { Schemas } from '../api/client';
import { PROFILE_WORDS } from '../ui/words';
import { say } from '../words/say';

/** The state of a profile as a word with a shape; one that is in question, or past its review, says so. */
export function ProfileMark({ profile }: { profile: Pick<Schemas['Profile'], 'status' | 'doubts'> }) {
    const doubted = profile.doubts.some((doubt) => doubt.kind !== 'review');
    const due = profile.doubts.length > 0;
    const [Icon, look] = doubted
        ? ([ShieldQuestion, 'text-fault'] as const)
        : due
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
            {PROFILE_WORDS[profile.status]}
            {doubted ? say('keep.in_question_2') : due ? say('keep.review_due') : ''}
        </span>
    );
}
