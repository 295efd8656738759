<?php

declare(strict_types=1);

namespace App\Platform\Http;

use App\Platform\Words\Wording;
use Sitzplatz\Words\Fault;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Core\Exception\AuthenticationException;

/** Turns what goes wrong below /api into problem details. */
final readonly class ProblemListener
{
    public function __construct(private Wording $wording)
    {
    }

    /** What the sender can mend is an answer, not an error: it is given before anything is logged. */
    #[AsEventListener(priority: 8)]
    public function answer(ExceptionEvent $event): void
    {
        $error = $event->getThrowable();
        if ($error instanceof Fault) {
            // A rule of the core refused: whoever let it through had no field to name.
            $error = Problem::invalid('', $error->sentence, previous: $error);
        }
        if ($error instanceof Problem && str_starts_with($event->getRequest()->getPathInfo(), '/api/')) {
            $event->setResponse(ProblemResponse::of($error, $this->wording));
        }
    }

    #[AsEventListener(priority: -10)]
    public function __invoke(ExceptionEvent $event): void
    {
        $error = $event->getThrowable();
        if (!str_starts_with($event->getRequest()->getPathInfo(), '/api/')
            || $error instanceof AccessDeniedException || $error instanceof AuthenticationException) {
            return;
        }
        $problem = match (true) {
            $error instanceof HttpExceptionInterface
                && $error->getPrevious() instanceof AccessDeniedException => Problem::forbidden('Your role does not allow this. Ask a lead.'),
            $error instanceof HttpExceptionInterface && 404 === $error->getStatusCode() => Problem::notFound(),
            $error instanceof HttpExceptionInterface => new Problem($error->getStatusCode(), 'Not possible', 'This address cannot be used in this way.'),
            default => null,
        };
        if (null === $problem) {
            $problem = new Problem(500, 'Our fault', 'Something went wrong here. Nothing was saved; try again, then look into the log.');
        }
        $event->setResponse(ProblemResponse::of($problem, $this->wording));
    }
}
