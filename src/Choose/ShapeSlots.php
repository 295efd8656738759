<?php

declare(strict_types=1);

namespace App\Choose;

use App\Platform\Http\Problem;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** So many parts are read at a time on this machine: the other workers stay free for the people at the bench. */
final readonly class ShapeSlots
{
    public const SLOTS = 2;
    /** A usual file is read by then. */
    private const PATIENCE_SECONDS = 4.0;

    public function __construct(#[Autowire('%kernel.cache_dir%')] private string $folder)
    {
    }

    /**
     * Waits a little for a free slot.
     *
     * @return resource the slot; it is free again when this is closed, also by the end of the process
     */
    public function take()
    {
        $until = (int) (hrtime(true) + 1e9 * self::PATIENCE_SECONDS);
        do {
            for ($slot = 0; $slot < self::SLOTS; ++$slot) {
                $file = fopen($this->folder.'/shape-slot-'.$slot, 'c');
                if (false !== $file && flock($file, \LOCK_EX | \LOCK_NB)) {
                    return $file;
                }
            }
            usleep(50_000);
        } while (hrtime(true) < $until);

        throw Problem::invalid('file', 'Other parts are being read right now: try again in a moment.', 503);
    }
}
