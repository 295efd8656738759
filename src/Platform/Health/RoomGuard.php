<?php

declare(strict_types=1);

namespace App\Platform\Health;

use App\Platform\Http\Problem;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ControllerEvent;

/** Takes nothing new while the disk is nearly full; coming in, going out and reading go on. */
#[AsEventListener(priority: 16)]
final readonly class RoomGuard
{
    private const DOOR = ['openSession', 'openDemoSession', 'closeSession', 'endSession'];
    /** Questions that need a body. What sends a whole file is none: it would lie on this disk while it is read. */
    private const QUESTIONS = [
        'choose', 'lookBeyond', 'holdSideBySide', 'diagnose', 'assessEvidence', 'reckonHeat', 'calculate', 'drawTestPiece',
        'beginPlan', 'orderPlan',
    ];

    public function __construct(private DiskRoom $room)
    {
    }

    public function __invoke(ControllerEvent $event): void
    {
        $request = $event->getRequest();
        $writes = !$request->isMethodSafe() && str_starts_with($request->getPathInfo(), '/api/');
        if ($writes && !\in_array($request->attributes->get('_route'), [...self::DOOR, ...self::QUESTIONS], true) && $this->room->isLow()) {
            throw new Problem(507, 'Disk nearly full', \sprintf(
                'Only %d MB are free on the disk of the app, and %d are needed. Nothing was saved; make room, then send it again. Reading goes on.',
                $this->room->freeMb(),
                $this->room->floorMb(),
            ));
        }
    }
}
