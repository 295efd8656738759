<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Http\Problem;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ControllerEvent;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;

/** Whoever came in is written down, and whose session was ended, here or elsewhere, is out. */
final readonly class SessionGuard
{
    /** At these somebody may stand whose session is over. */
    private const DOOR = ['getSession', 'openSession', 'openDemoSession', 'closeSession', 'createFirstLead'];

    public function __construct(private OpenSessions $sessions, private Security $security)
    {
    }

    #[AsEventListener]
    public function cameIn(LoginSuccessEvent $event): void
    {
        $user = $event->getUser();
        if ($user instanceof User) {
            $this->sessions->begin($user, $event->getRequest());
        }
    }

    #[AsEventListener(priority: 32)]
    public function stillIn(ControllerEvent $event): void
    {
        $request = $event->getRequest();
        if (!$event->isMainRequest() || !$request->hasPreviousSession() || null === $this->security->getUser() || $this->sessions->stands($request)) {
            return;
        }
        if ('POST' === $request->getMethod() && \in_array($request->attributes->get('_route'), self::DOOR, true)) {
            return;
        }
        $this->security->logout(false);
        if (!\in_array($request->attributes->get('_route'), self::DOOR, true)) {
            throw new Problem(401, 'Signed out', \sprintf(
                'You were signed out: this session was ended, or it is %d hours old. Sign in again; what you typed is kept.',
                OpenSessions::LONGEST_HOURS,
            ));
        }
    }
}
