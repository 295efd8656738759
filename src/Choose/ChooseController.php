<?php

declare(strict_types=1);

namespace App\Choose;

use App\Platform\Contract\Contract;
use App\Platform\Http\Answer;
use Sitzplatz\Choose\Request\PartFacts;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Which of the shop's own plates and agents to use for a job, and what a file says of the part. */
final readonly class ChooseController
{
    public function __construct(private Contract $contract, private Choosing $choosing, private PartUpload $upload)
    {
    }

    #[Route('/api/choose', name: 'choose', methods: ['POST'])]
    public function choose(Request $request): Answer
    {
        // All that is made of thousands of runs is needed until it is answered: looking for what is not takes time and finds nothing.
        gc_disable();

        return $this->choosing->answer($this->contract->body($request));
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
        return new Answer(PartReading::toArray($this->upload->read($request)[0]));
    }

    /** A block by length, width and height, where no file is at hand. */
    #[Route('/api/parts/box', name: 'boxPart', methods: ['POST'])]
    public function boxPart(Request $request): Answer
    {
        $body = $this->contract->body($request);
        $part = PartFacts::ofBox((float) $body['lengthMm'], (float) $body['widthMm'], (float) $body['heightMm']);

        return new Answer(['part' => PartReading::part($part), 'words' => $part->follows()]);
    }
}
