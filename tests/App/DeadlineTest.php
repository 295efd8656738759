<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Choose\Deadline;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Shape\BadShape;

final class DeadlineTest extends TestCase
{
    public function testWhatTakesTooLongIsRefusedInWords(): void
    {
        Deadline::none()->check();
        Deadline::in(600)->check();
        $this->expectException(BadShape::class);
        $this->expectExceptionMessage('shape.too_long');
        Deadline::in(-1)->check();
    }
}
