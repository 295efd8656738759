<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\Author;
use App\Platform\Database\Row;
use App\Platform\Database\Withdrawable;
use App\Shelf\Printer;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** With it a printer, or what drives it, reports begin and end of its prints; only its digest is kept. */
#[ORM\Entity]
#[ORM\Index(fields: ['digest'], name: 'IDX_printer_token_digest')]
class PrinterToken extends Row
{
    use Withdrawable;

    #[ORM\Column(length: 80)]
    public readonly string $madeBy;

    private function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Printer $printer,
        #[ORM\Column(length: 64)]
        public readonly string $digest,
        Author $by,
    ) {
        parent::__construct($id, $at);
        $this->madeBy = $by->name;
    }

    /** @return array{self, string} and what is shown of it, once */
    public static function make(Uuid $id, \DateTimeImmutable $at, Printer $printer, Author $by): array
    {
        $secret = bin2hex(random_bytes(24));

        return [self::of($secret, $id, $at, $printer, $by), $secret];
    }

    public static function of(string $secret, Uuid $id, \DateTimeImmutable $at, Printer $printer, Author $by): self
    {
        return new self($id, $at, $printer, self::digestOf($secret), $by);
    }

    public static function digestOf(string $secret): string
    {
        return hash('sha256', $secret);
    }
}
