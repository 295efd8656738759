<?php

declare(strict_types=1);

namespace App\Platform\Http;

use App\Platform\Words\Wording;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Event\ViewEvent;

/** Puts an answer into words and sends it. */
#[AsEventListener]
final readonly class AnswerListener
{
    public function __construct(private Wording $wording)
    {
    }

    public function __invoke(ViewEvent $event): void
    {
        $answer = $event->getControllerResult();
        if ($answer instanceof Answer) {
            $event->getRequest()->attributes->set('_made_of', $answer->madeOf);
            $event->setResponse(new JsonResponse($this->wording->words($answer->data), $answer->status));
        }
    }
}
