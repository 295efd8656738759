<?php

declare(strict_types=1);

namespace App\Choose;

use App\Platform\Contract\Contract;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use Sitzplatz\Shape\Formats;
use Sitzplatz\Shape\Piece\BadPiece;
use Sitzplatz\Shape\Piece\PieceDesign;
use Sitzplatz\Shape\Piece\PieceFile;
use Sitzplatz\Shape\Piece\PieceInput;
use Sitzplatz\Shape\Piece\SectionModulus;
use Sitzplatz\Shape\Piece\Solid;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Test pieces to measure: what they are, what the plate sees of them, and their files. */
final readonly class PieceController
{
    private const MOST_NUMBER = 9999;

    /** @param iterable<PieceDesign> $designs */
    public function __construct(
        #[AutowireIterator('sitzplatz.piece')] private iterable $designs,
        private Contract $contract,
        private Formats $formats,
        private ShapeSlots $slots,
    ) {
    }

    #[Route('/api/test-pieces', name: 'listTestPieces', methods: ['GET'])]
    public function all(): Answer
    {
        $all = [];
        foreach ($this->designs as $design) {
            $inputs = array_map(static fn (PieceInput $input): array => [
                'key' => $input->key,
                'words' => $input->words,
                'count' => $input->count,
                'usual' => $input->usual,
                'least' => $input->least,
                'most' => $input->most,
            ], $design->inputs());
            $all[] = ['key' => $design->key(), 'words' => $design->words(), 'purpose' => $design->purpose(), 'inputs' => $inputs];
        }

        return new Answer($all);
    }

    /** What the plate sees of it, read from its file as any other part is. */
    #[Route('/api/test-pieces/{key}', name: 'drawTestPiece', methods: ['POST'])]
    public function draw(string $key, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $slot = $this->slots->take();
        $path = (string) tempnam(sys_get_temp_dir(), 'piece');
        try {
            file_put_contents($path, PieceFile::stl($this->solids($key, $body['values'], $body['number']), $key));
            $shape = PartReading::file($path, null, $this->formats);
        } finally {
            unlink($path);
            fclose($slot);
        }
        $section = SectionModulus::of($shape->patch);

        return new Answer(['shape' => PartReading::toArray($shape), 'sectionAlongXMm3' => $section->alongXMm3, 'sectionAlongYMm3' => $section->alongYMm3]);
    }

    #[Route('/api/test-pieces/{key}/file', name: 'getTestPieceFile', methods: ['GET'])]
    public function file(string $key, Request $request): Response
    {
        $values = [];
        foreach ($request->query->all('values') as $name => $value) {
            if (!is_numeric($value)) {
                throw Problem::invalid("values.$name", Sentence::of('test_piece.missing', what: (string) $name));
            }
            $values[$name] = (float) $value;
        }
        $number = $request->query->getString('number');
        if ('' !== $number && (!ctype_digit($number) || (int) $number > self::MOST_NUMBER)) {
            throw Problem::invalid('number', Sentence::of('test_piece.number', most: Quantity::count(self::MOST_NUMBER)));
        }
        $solids = $this->solids($key, $values, '' === $number ? null : (int) $number);
        $package = '3mf' === $request->query->getString('format');

        $file = str_replace('_', '-', $key).('' === $number ? '' : "-$number").($package ? '.3mf' : '.stl');

        return new Response($package ? PiecePackage::of($solids) : PieceFile::stl($solids, $key), 200, [
            'Content-Type' => $package ? 'model/3mf' : 'model/stl',
            'Content-Disposition' => "attachment; filename=\"$file\"",
        ]);
    }

    /**
     * @param array<string, mixed> $given
     *
     * @return list<Solid>
     */
    private function solids(string $key, array $given, ?int $number): array
    {
        foreach ($this->designs as $design) {
            if ($design->key() === $key) {
                try {
                    return $design->solids(self::values($design, $given), $number);
                } catch (BadPiece $bad) {
                    throw Problem::invalid("values.$bad->field", $bad->sentence, previous: $bad);
                }
            }
        }
        throw Problem::notFound();
    }

    /**
     * @param array<string, mixed> $given
     *
     * @return array<string, float>
     */
    private static function values(PieceDesign $design, array $given): array
    {
        $values = [];
        foreach ($design->inputs() as $input) {
            $value = $given[$input->key] ?? null;
            if (!\is_int($value) && !\is_float($value)) {
                throw Problem::invalid("values.$input->key", Sentence::of('test_piece.missing', what: $input->words));
            }
            if ($value < $input->least || $value > $input->most || ($input->count && abs($value - round($value)) > 1e-9)) {
                $bound = static fn (float $at): Quantity => $input->count ? Quantity::count((int) $at) : Quantity::millimetres($at);
                throw Problem::invalid("values.$input->key", Sentence::of('test_piece.range', least: $bound($input->least), most: $bound($input->most)));
            }
            $values[$input->key] = (float) $value;
        }

        return $values;
    }
}
