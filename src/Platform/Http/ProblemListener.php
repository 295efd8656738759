<?php

declare(strict_types=1);

namespace App\Platform\Http;

use App\Platform\Words\Wording;
use Doctrine\DBAL\Exception\DriverException;
use Doctrine\DBAL\Exception\NoActiveTransaction;
use Sitzplatz\Words\Fault;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Core\Exception\AuthenticationException;

/** Turns what goes wrong below /api into problem details. */
final readonly class ProblemListener
{
    /** It does not answer, it went away, it went away in the middle. */
    private const AWAY = [2002, 2006, 2013];

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
            self::databaseIsAway($error) => new Problem(
                503,
                'Starting again',
                'The database is starting again. It is back in a few seconds; what you typed is kept.',
                headers: ['Retry-After' => '2'],
            ),
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

    /** Whatever noticed it: the session, a query, or a transaction that is not there any more. */
    private static function databaseIsAway(\Throwable $error): bool
    {
        for ($each = $error; null !== $each; $each = $each->getPrevious()) {
            $code = $each instanceof \PDOException ? $each->errorInfo[1] ?? $each->getCode() : ($each instanceof DriverException ? $each->getCode() : 0);
            if ($each instanceof NoActiveTransaction || \in_array($code, self::AWAY, true)) {
                return true;
            }
        }

        return false;
    }
}
