<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

/** What is printed around or under a part so that it stays down. */
enum FootholdKind: string
{
    case None = 'none';
    case Brim = 'brim';
    case Ears = 'ears';
    case Raft = 'raft';
}
