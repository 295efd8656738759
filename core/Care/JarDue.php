<?php

declare(strict_types=1);

namespace Sitzplatz\Care;

use Sitzplatz\Catalogue\Agent;
use Sitzplatz\Words\Day;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * What a jar, can or stick of an agent is due for: past its date, thickened or spoilt since it was opened, or without the data
 * sheet that a hazardous substance wants at hand (common practice; what has to be kept local codes say).
 */
final readonly class JarDue
{
    private const DAYS_PER_MONTH = 365.25 / 12;

    private function __construct()
    {
    }

    /**
     * @param string|null $openedOn  date, ISO 8601; null: not opened, or nobody said
     * @param string|null $expiresOn as it is printed on it
     * @param string      $dataSheet where it is kept; "" for nowhere
     * @param string      $today     date, ISO 8601
     *
     * @return list<Sentence>
     */
    public static function of(Agent $agent, ?string $openedOn, ?string $expiresOn, string $dataSheet, string $today): array
    {
        $months = null === $openedOn ? 0.0 : max(0.0, (strtotime($today) - strtotime($openedOn)) / 86400) / self::DAYS_PER_MONTH;

        return array_values(array_filter([
            null !== $expiresOn && $expiresOn < $today ? Sentence::of('jar.expired', day: new Day($expiresOn)) : null,
            null !== $agent->keepsMonths && $months > $agent->keepsMonths
                ? Sentence::of($agent->thickens ? 'jar.thickened' : 'jar.spoilt', months: Quantity::count((int) $months)) : null,
            null !== $agent->hazard && '' === $dataSheet ? Sentence::of('jar.data_sheet') : null,
        ]));
    }
}
