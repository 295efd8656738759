<?php

declare(strict_types=1);

namespace Sitzplatz\Care;

use Sitzplatz\Catalogue\Agent;
use Sitzplatz\Catalogue\Cleaner;
use Sitzplatz\Catalogue\Surface;
use Sitzplatz\Words\CatalogueText;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Sentence;

/** Whether a surface bears what is about to be put on it or wiped over it. */
final class CleanerFit
{
    /** What plates are wiped with between prints (common practice). */
    public const WIPE = 'alcohol';

    /** The sentence against a cleaner; null: the surface bears it. */
    public static function refusesCleaner(Surface $surface, Cleaner $cleaner): ?Sentence
    {
        return $surface->bears($cleaner->id) ? null : Sentence::of(
            'gate.cleaner_harms',
            cleaner: $cleaner->name,
            surface: $surface->name,
            cleaners: Listing::of(
                array_map(CatalogueText::ofCleaner(...), $surface->cleaners),
                Joined::Or,
            ),
        );
    }

    /** The sentence against wiping over a coat between prints; null: it bears it, or the side is bare. */
    public static function refusesWipe(?Agent $coat): ?Sentence
    {
        return null !== $coat && \in_array(self::WIPE, $coat->removedBy, true) ? Sentence::of('care.wipe_takes_coat', agent: $coat->name) : null;
    }

    /** The sentence against an agent; null: the surface bears what it brings. */
    public static function refusesAgent(Surface $surface, Agent $agent): ?Sentence
    {
        foreach ($agent->solvents as $solvent) {
            if (!$surface->bears($solvent)) {
                return Sentence::of(
                    'gate.solvent',
                    agent: $agent->name,
                    solvent: CatalogueText::ofCleaner($solvent),
                    surface: $surface->name,
                );
            }
        }

        return null;
    }
}
