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
    private const GO_ON = ['openSession', 'openDemoSession', 'closeSession', 'endSession', 'choose', 'lookBeyond', 'holdSideBySide'];

    public function __construct(private DiskRoom $room)
    {
    }

    public function __invoke(ControllerEvent $event): void
    {
        $request = $event->getRequest();
        $writes = !$request->isMethodSafe() && str_starts_with($request->getPathInfo(), '/api/');
        if ($writes && !\in_array($request->attributes->get('_route'), self::GO_ON, true) && $this->room->isLow()) {
            throw new Problem(507, 'Disk nearly full', \sprintf(
                'Only %d MB are free on the disk of the app, and %d are needed. Nothing was saved; make room, then send it again. Reading goes on.',
                $this->room->freeMb(),
                $this->room->floorMb(),
            ));
        }
    }
}
