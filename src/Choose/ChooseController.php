<?php

declare(strict_types=1);

namespace App\Choose;

use App\Platform\Contract\Contract;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\Formats;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Which of the shop's own plates and agents to use for a job, and what a file says of the part. */
final readonly class ChooseController
{
    private const MOST_BYTES = 128 << 20;
    private const MOST_SECONDS = 25;

    public function __construct(private Contract $contract, private Choosing $choosing, private ShapeSlots $slots, private Formats $formats)
    {
    }

    #[Route('/api/choose', name: 'choose', methods: ['POST'])]
    public function choose(Request $request): Answer
    {
        return new Answer($this->choosing->answer($this->contract->body($request)));
    }

    #[Route('/api/choose/beyond', name: 'lookBeyond', methods: ['POST'])]
    public function beyond(Request $request): Answer
    {
        return new Answer($this->choosing->beyond($this->contract->body($request)));
    }

    #[Route('/api/choose/side-by-side', name: 'holdSideBySide', methods: ['POST'])]
    public function sideBySide(Request $request): Answer
    {
        return new Answer($this->choosing->sideBySide($this->contract->body($request)));
    }

    /** The file is the body as it is: it is streamed to disk and read from there, and nothing of it is kept. */
    #[Route('/api/parts/read', name: 'readPart', methods: ['POST'])]
    public function readPart(Request $request): Answer
    {
        set_time_limit(self::MOST_SECONDS);
        $path = (string) tempnam(sys_get_temp_dir(), 'part');
        try {
            $this->store($request, $path);
            $slot = $this->slots->take();
            try {
                return new Answer(PartReading::toArray(PartReading::file($path, Deadline::in(self::MOST_SECONDS / 2), $this->formats)));
            } finally {
                fclose($slot);
            }
        } catch (BadShape $bad) {
            throw Problem::invalid('file', $bad->sentence);
        } finally {
            unlink($path);
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
