<?php

declare(strict_types=1);

namespace App\Platform\Http;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * So many of one thing are under way at a time, over all workers of this machine. Nobody waits for a place here, where they would
 * keep a worker from others.
 */
final readonly class Places
{
    public function __construct(#[Autowire('%kernel.cache_dir%')] private string $folder)
    {
    }

    /** @return resource|null the place, free again when it is closed, also by the end of the process; null: none is free */
    public function take(string $of, int $atATime)
    {
        for ($place = 0; $place < $atATime; ++$place) {
            $file = fopen("$this->folder/$of-$place", 'c');
            if (false !== $file && flock($file, \LOCK_EX | \LOCK_NB)) {
                return $file;
            }
        }

        return null;
    }
}
