<?php

declare(strict_types=1);

namespace App\Choose;

use App\Platform\Http\Problem;
use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\Formats;
use Sitzplatz\Shape\PartShape;
use Symfony\Component\HttpFoundation\Request;

/** A part's file that comes as the body of a request: streamed to disk, read from there, and not kept. */
final readonly class PartUpload
{
    private const MOST_BYTES = 128 << 20;
    private const MOST_SECONDS = 25;

    public function __construct(private ShapeSlots $slots, private Formats $formats)
    {
    }

    /**
     * @return array{PartShape, string} the part, and the SHA-256 of its file
     *
     * @throws Problem if it is too large, takes too long, or is none
     */
    public function read(Request $request): array
    {
        $before = (int) \ini_get('max_execution_time');
        set_time_limit(self::MOST_SECONDS);
        $path = (string) tempnam(sys_get_temp_dir(), 'part');
        try {
            $this->store($request, $path);
            $slot = $this->slots->take();
            try {
                return [PartReading::file($path, Deadline::in(self::MOST_SECONDS / 2), $this->formats), (string) hash_file('sha256', $path)];
            } finally {
                fclose($slot);
            }
        } catch (BadShape $bad) {
            throw Problem::invalid('file', $bad->sentence);
        } finally {
            unlink($path);
            // A process that goes on is not to be ended by what it has done already.
            set_time_limit($before);
        }
    }

    private function store(Request $request, string $path): void
    {
        $body = $request->getContent(true);
        $file = fopen($path, 'w');
        if (false === $file) {
            throw Problem::invalid('file', 'There is no room to take the file in: tell whoever keeps this server.', 503);
        }
        $taken = stream_copy_to_stream($body, $file, self::MOST_BYTES + 1);
        fclose($file);
        if ($taken > self::MOST_BYTES) {
            throw Problem::invalid('file', \sprintf('The file is larger than %d MB: export the part with a coarser tolerance.', self::MOST_BYTES >> 20), 413);
        }
    }
}
