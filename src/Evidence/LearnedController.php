<?php

declare(strict_types=1);

namespace App\Evidence;

use App\Catalogue\ShopCatalogue;
use App\Platform\Http\Answer;
use App\Shelf\SideOnShelf;
use Doctrine\DBAL\Connection;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Evidence\EvidenceSince;
use Sitzplatz\Evidence\Learned\EffectKind;
use Sitzplatz\Evidence\Learned\Success;
use Sitzplatz\Words\CatalogueText;
use Sitzplatz\Words\Day;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Sentence;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** What this shop has learned: where its own prints say otherwise than practice, the surest first, of what is still there. */
final readonly class LearnedController
{
    private const MOST = 40;

    public function __construct(private LearnedShop $shop, private ShopCatalogue $catalogue, private PrinterChanges $changes, private Connection $database)
    {
    }

    #[Route('/api/learned', name: 'getLearned', methods: ['GET'])]
    public function get(): Answer
    {
        $catalogue = $this->catalogue->get();
        $lessons = [];
        foreach (Success::cases() as $success) {
            foreach ($this->shop->lessons($success) as $lesson) {
                $what = $this->what($lesson->kind, explode("\0", $lesson->name), $catalogue);
                if (null !== $what) {
                    $lessons[] = [
                        'success' => $success->value,
                        'kind' => $lesson->kind->value,
                        'what' => $what,
                        'sentence' => $lesson->told(Success::Held === $success ? 'learned.held' : 'learned.came_off'),
                        'advice' => $lesson->kind->advice($lesson->better()),
                        'better' => $lesson->better(),
                        'without' => $lesson->without,
                        'with' => $lesson->with,
                        'surely' => $lesson->surely,
                    ];
                }
            }
        }
        usort($lessons, static fn (array $a, array $b): int => $b['surely'] <=> $a['surely']);

        return new Answer([...$this->shop->learned(), 'lessons' => \array_slice($lessons, 0, self::MOST)]);
    }

    /**
     * @param list<string> $names
     *
     * @return Phrase|null null: it is not there any more
     */
    private function what(EffectKind $kind, array $names, Catalogue $catalogue): ?Phrase
    {
        return match ($kind) {
            EffectKind::Pair, EffectKind::Chart => '' === ($names[2] ?? '') ? Sentence::of(
                'pair.bare',
                material: self::name($catalogue->materials, $names[0]),
                surface: self::name($catalogue->surfaces, $names[1] ?? ''),
            ) : Sentence::of(
                'pair.with',
                material: self::name($catalogue->materials, $names[0]),
                surface: self::name($catalogue->surfaces, $names[1] ?? ''),
                agent: self::name($catalogue->agents, $names[2]),
            ),
            EffectKind::Surface => self::name($catalogue->surfaces, $names[0]),
            EffectKind::Agent => self::name($catalogue->agents, $names[0]),
            EffectKind::Purpose => 'test' === $names[0] ? Sentence::of('learned.tests') : Sentence::of('learned.prints'),
            EffectKind::Side => $this->found(
                'SELECT p.number, s.face FROM plate_side s JOIN plate p ON p.id = s.plate_id WHERE s.id = ? AND p.retired = 0',
                $names[1] ?? '',
                static fn (array $row): Phrase => Sentence::of(
                    'learned.side',
                    side: self::side($row),
                    material: self::name($catalogue->materials, $names[0]),
                ),
            ),
            EffectKind::Sheet => $this->found(
                'SELECT p.number, s.face, f.created_at FROM plate_side s JOIN plate p ON p.id = s.plate_id JOIN fitting f ON f.id = s.fitting_id
                    WHERE s.fitting_id = ? AND p.retired = 0',
                $names[0],
                static fn (array $row): Phrase => Sentence::of(
                    'learned.sheet',
                    side: self::side($row),
                    day: new Day(substr((string) $row['created_at'], 0, 10)),
                ),
            ),
            EffectKind::Printer => $this->found(
                'SELECT name FROM printer WHERE id = ? AND retired = 0',
                $names[0],
                static fn (array $row): Phrase => new OwnText((string) $row['name']),
            ),
            EffectKind::Epoch => $this->epoch($names[0], $names[1] ?? ''),
            EffectKind::Lot => $this->found(
                'SELECT label FROM lot WHERE id = ? AND retired = 0',
                $names[1] ?? '',
                static fn (array $row): Phrase => Sentence::of(
                    'learned.lot',
                    lot: (string) $row['label'],
                    material: self::name($catalogue->materials, $names[0]),
                ),
            ),
        };
    }

    /** Of a printer as it is since its last change; what it was like before is no matter any more. */
    private function epoch(string $printer, string $since): ?Phrase
    {
        $last = EvidenceSince::lastBefore($this->changes->of($printer), \INF);

        return null === $last || $this->changes->epoch($printer) !== $since ? null : $this->found(
            'SELECT name FROM printer WHERE id = ? AND retired = 0',
            $printer,
            static fn (array $row): Phrase => Sentence::of('learned.epoch', printer: (string) $row['name'], day: new Day($last->day)),
        );
    }

    /** @param \Closure(array<string, mixed>): Phrase $words */
    private function found(string $sql, string $id, \Closure $words): ?Phrase
    {
        $row = Uuid::isValid($id) ? $this->database->fetchAssociative($sql, [Uuid::fromString($id)->toBinary()]) : false;

        return false === $row ? null : $words($row);
    }

    /** @param array<string, mixed> $row */
    private static function side(array $row): string
    {
        return SideOnShelf::label((string) $row['number'], (string) $row['face']);
    }

    /** @param array<string, object{name: CatalogueText}> $known */
    private static function name(array $known, string $id): Phrase
    {
        return $known[$id]->name ?? new OwnText($id);
    }
}
