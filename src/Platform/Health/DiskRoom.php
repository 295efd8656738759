<?php

declare(strict_types=1);

namespace App\Platform\Health;

use App\Platform\Environment;

/**
 * The room that is left on the disk of the data folder. Below a floor nothing new is taken, so that what is there stays whole
 * and people can still come in and read. Where something else eats the rest too, a reserve is given up for that.
 */
final readonly class DiskRoom
{
    private const MB = 1_048_576;
    /** The reserve goes when there is less left than this. */
    private const LAST_MB = 24;
    private const RESERVE_MB = 48;

    public function __construct(private int $diskFloorMb)
    {
    }

    /** Whole MB that are free for us. */
    public function freeMb(): int
    {
        return (int) floor((disk_free_space(Environment::dataDirectory()) ?: 0) / self::MB);
    }

    public function floorMb(): int
    {
        return $this->diskFloorMb;
    }

    public function isLow(): bool
    {
        return $this->freeMb() < $this->diskFloorMb;
    }

    /** Holds the reserve while there is room for it, and gives it up where there is next to none. */
    public function tendReserve(): void
    {
        $file = Environment::dataDirectory().'/reserve/room';
        $free = $this->freeMb();
        if (is_file($file)) {
            $free >= self::LAST_MB || @unlink($file);
        } elseif ($free >= $this->diskFloorMb + 2 * self::RESERVE_MB && is_dir(\dirname($file))) {
            $part = $file.'.part';
            $out = @fopen($part, 'w');
            if (false === $out) {
                return;
            }
            // Written, as a hole in a file would hold nothing.
            for ($mb = 0; $mb < self::RESERVE_MB; ++$mb) {
                fwrite($out, random_bytes(1024).str_repeat("\0", self::MB - 1024));
            }
            fclose($out);
            @rename($part, $file);
        }
    }
}
