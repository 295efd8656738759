<?php

declare(strict_types=1);

namespace App\Platform\Http;

/** What a controller answers, as data; phrases of the core in it are put into the reader's words on the way out. */
final readonly class Answer
{
    /**
     * @param array<mixed>  $data
     * @param array<object> $madeOf kept until the answer is sent: to clear thousands of values away takes time that somebody waits for
     */
    public function __construct(public array $data, public int $status = 200, public array $madeOf = [])
    {
    }
}
