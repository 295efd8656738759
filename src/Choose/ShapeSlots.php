<?php

declare(strict_types=1);

namespace App\Choose;

use App\Platform\Http\Problem;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** So many parts are read at a time on this machine: the other workers stay free for the people at the bench. */
final readonly class ShapeSlots
{
    public const SLOTS = 2;

    public function __construct(#[Autowire('%kernel.cache_dir%')] private string $folder)
    {
    }

    /**
     * @return resource the slot; it is free again when this is closed, also by the end of the process
     *
     * @throws Problem if none is free: nobody waits for it here, where they would keep a worker from others
     */
    public function take()
    {
        for ($slot = 0; $slot < self::SLOTS; ++$slot) {
            $file = fopen($this->folder.'/shape-slot-'.$slot, 'c');
            if (false !== $file && flock($file, \LOCK_EX | \LOCK_NB)) {
                return $file;
            }
        }

        throw Problem::crowded('Other parts are being read right now. Try again in a moment.');
    }
}
