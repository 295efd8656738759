<?php

declare(strict_types=1);

use App\Platform\Environment;

require dirname(__DIR__).'/vendor/autoload.php';

Environment::load();
