<?php

declare(strict_types=1);

namespace Sitzplatz\Words;

/** A text of the catalogue: where it stands in it, and its English as written. */
final readonly class CatalogueText implements Phrase
{
    /** @param string $id kind of the entry, its id and the field, such as "surface.float_glass.name" */
    public function __construct(public string $id, public string $english)
    {
    }

    public function toArray(): array
    {
        return ['catalogue' => $this->id, 'english' => $this->english];
    }

    /** What a cleaner is called in passing; its id is that, with blanks. */
    public static function ofCleaner(string $id): self
    {
        return new self("cleaner.$id.short", strtr($id, '_', ' '));
    }
}
