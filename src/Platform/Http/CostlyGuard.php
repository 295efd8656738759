<?php

declare(strict_types=1);

namespace App\Platform\Http;

use App\Platform\Contract\Contract;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ControllerEvent;
use Symfony\Component\HttpKernel\Event\TerminateEvent;

/** What keeps a processor busy nobody has done more than three times at a time: who asks in a loop waits, and others do not. */
final class CostlyGuard
{
    private const AT_A_TIME = 3;

    /** @var resource|null */
    private $place;

    public function __construct(
        private readonly Contract $contract,
        private readonly Security $security,
        private readonly Places $places,
    ) {
    }

    #[AsEventListener]
    public function begin(ControllerEvent $event): void
    {
        $user = $this->security->getUser();
        if (!$event->isMainRequest() || null === $user || !$this->contract->isCostly((string) $event->getRequest()->attributes->get('_route'))) {
            return;
        }
        $who = substr(hash('sha256', $user->getUserIdentifier()), 0, 16);
        $this->place = $this->places->take("costly-$who", self::AT_A_TIME)
            ?? throw Problem::crowded('You have asked for several sums at once. Wait a second, then send it again.', 429);
    }

    /** A table is written while it is sent: only then is it done. */
    #[AsEventListener]
    public function end(TerminateEvent $event): void
    {
        if (null !== $this->place) {
            fclose($this->place);
            $this->place = null;
        }
    }
}
