<?php

declare(strict_types=1);

namespace App\Platform\Http;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** Something that the sender can mend, as RFC 9457 problem details with a field and a sentence. */
final class Problem extends \RuntimeException
{
    /**
     * @param list<array{field: string, message: string|Sentence}> $errors
     * @param array<string, mixed>                                 $more    further members
     * @param array<string, string>                                $headers
     */
    public function __construct(
        public readonly int $status,
        public readonly string $title,
        public readonly string|Sentence $detail,
        public readonly array $errors = [],
        public readonly array $more = [],
        public readonly array $headers = [],
        ?\Throwable $previous = null,
        public readonly string $type = 'about:blank',
    ) {
        parent::__construct($detail instanceof Sentence ? $detail->key : $detail, 0, $previous);
    }

    public static function invalid(string $field, string|Sentence $message, int $status = 422, ?\Throwable $previous = null): self
    {
        return new self(
            $status,
            409 === $status ? 'In conflict' : 'Cannot be taken as it stands',
            $message,
            [['field' => $field, 'message' => $message]],
            previous: $previous,
        );
    }

    /** @param list<array{field: string, message: string|Sentence}> $errors */
    public static function faults(array $errors): self
    {
        $count = \count($errors);

        return new self(
            422,
            'Cannot be taken as it stands',
            1 === $count ? $errors[0]['message'] : Sentence::of('problem.several', faults: Quantity::count($count)),
            $errors,
        );
    }

    /** There is too much to do at once: the same may be sent again after a second. */
    public static function crowded(string $detail, int $status = 503): self
    {
        return new self($status, 'Busy', $detail, headers: ['Retry-After' => '1'], type: 'busy');
    }

    /** Others were at the same thing at once: the same may be sent again. */
    public static function busy(?\Throwable $previous = null): self
    {
        return new self(
            409,
            'Busy',
            'Several people changed the same thing at once. Nothing was saved here: send it again.',
            previous: $previous,
            type: 'busy',
        );
    }

    public static function notFound(): self
    {
        return new self(404, 'Not here', 'There is no such entry. It may belong to another copy of the app.');
    }

    public static function forbidden(string|Sentence $detail): self
    {
        return new self(403, 'Not allowed', $detail);
    }

    /**
     * @param array<string, mixed> $yours
     * @param array<string, mixed> $theirs
     */
    public static function stale(array $yours, array $theirs): self
    {
        return new self(
            409,
            'Changed meanwhile',
            'Somebody changed this meanwhile. Look at both versions, then save again.',
            [],
            ['yours' => $yours, 'theirs' => $theirs],
        );
    }
}
