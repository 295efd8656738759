<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

use Sitzplatz\Catalogue\Grade;

/** Under which a print is made, as far as it has a part in how it comes out. */
final readonly class Situation
{
    /** Of ln of the parts on the plate, and of ln of the hours; both below nought for more. */
    public const PARTS = 'parts';
    public const TIME = 'time';
    /** One where practice says nothing. */
    public const UNGRADED = 'ungraded';
    /** Begins the name of what was reckoned for coming off. */
    public const OF_RELEASE = 'r_';
    /** A print shorter than this is as good as this long, minutes. */
    private const SHORTEST = 15.0;

    /**
     * @param float                 $practice of its grade, log-odds
     * @param array<string, float>  $measures on log-odds, by name: what each is worth by its sum
     * @param array<string, string> $levels   by the value of an {@see EffectKind}: of which one of its kind
     */
    public function __construct(public float $practice, public array $measures, public array $levels)
    {
    }

    /**
     * @param array<string, float>                $measures but for parts and time
     * @param array<value-of<EffectKind>, string> $of       the names of material, surface and so on; of what is not known nothing
     */
    public static function of(float $practice, array $measures, int $parts, ?float $minutes, string $material, array $of): self
    {
        $levels = [];
        foreach ($of as $kind => $name) {
            $levels[$kind] = EffectKind::from($kind)->level($material, $name);
        }

        return new self($practice, $measures + self::size($parts, $minutes), $levels);
    }

    /**
     * Of something that was printed here.
     *
     * @param Grade|null            $grade    of practice; null: it says nothing
     * @param array<string, float>  $measures of both questions, as they were said when it began
     * @param float|null            $minutes  as it was planned; null: not known. How long it took says how it came out: what fails ends early
     * @param array<string, string> $levels   as {@see Levels} has them
     */
    public static function ofMade(Success $of, ?Grade $grade, array $measures, int $parts, ?float $minutes, array $levels): self
    {
        $own = array_filter(
            $measures,
            static fn (string $name): bool => (Success::Released === $of) === str_starts_with($name, self::OF_RELEASE),
            \ARRAY_FILTER_USE_KEY,
        );

        return new self($grade?->logOdds() ?? 0.0, (null === $grade ? [self::UNGRADED => 1.0] : []) + $own + self::size($parts, $minutes), $levels);
    }

    /**
     * @param float|null $minutes null: not known, and taken as an hour
     *
     * @return array<string, float> measures
     */
    public static function size(int $parts, ?float $minutes): array
    {
        return [self::PARTS => -log(max(1, $parts)), self::TIME => null === $minutes ? 0.0 : -log(max(self::SHORTEST, $minutes) / 60)];
    }

    /** Of which it is; "" where nothing says so. */
    public function material(): string
    {
        foreach ($this->levels as $kind => $level) {
            if (EffectKind::from($kind)->isOfOneMaterial()) {
                return explode("\0", $level, 2)[0];
            }
        }

        return '';
    }
}
