<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

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
    public static function of(float $practice, array $measures, int $parts, float $minutes, string $material, array $of): self
    {
        $levels = [];
        foreach ($of as $kind => $name) {
            $levels[$kind] = EffectKind::from($kind)->isOfOneMaterial() ? "$material\0$name" : $name;
        }

        return new self($practice, $measures + [self::PARTS => -log(max(1, $parts)), self::TIME => -log(max(self::SHORTEST, $minutes) / 60)], $levels);
    }
}
