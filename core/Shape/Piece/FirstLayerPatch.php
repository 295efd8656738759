<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Piece;

use Sitzplatz\Words\Sentence;

/** One layer of rings and thin strips: does the first layer take everywhere (trade notes, section 7). */
final readonly class FirstLayerPatch implements PieceDesign
{
    private const STRIP_MM = [0.8, 1.2, 2.0];
    private const APART_MM = 4.0;

    public function key(): string
    {
        return 'first_layer_patch';
    }

    public function words(): Sentence
    {
        return Sentence::of('piece.first_layer_patch');
    }

    public function purpose(): Sentence
    {
        return Sentence::of('piece_purpose.first_layer_patch');
    }

    public function inputs(): array
    {
        return [
            new PieceInput('across', 40, 15, 300),
            new PieceInput('ring', 3, 0.8, 20),
            new PieceInput('layer', 0.2, 0.05, 1),
        ];
    }

    public function solids(array $values, ?int $number): array
    {
        ['across' => $across, 'ring' => $ring, 'layer' => $layer] = $values;
        $radius = $across / 2;
        $inner = $radius - $ring;
        if ($inner - $ring - self::APART_MM <= $ring) {
            throw BadPiece::tooLarge('ring', max(0.0, ($radius - self::APART_MM) / 3));
        }
        $rings = array_map(
            static fn (float $r): Solid => Prism::standing(
                Prism::circle($radius, $radius, $r),
                0,
                $layer,
                [array_reverse(Prism::circle($radius, $radius, $r - $ring))],
            ),
            [$radius, $inner - self::APART_MM],
        );
        $y = $across + self::APART_MM;
        foreach (self::STRIP_MM as $wide) {
            $rings[] = Prism::standing(Prism::rectangle(0, $y, $across, $wide), 0, $layer);
            $y += $wide + self::APART_MM;
        }

        return $rings;
    }
}
