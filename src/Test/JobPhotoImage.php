<?php

declare(strict_types=1);

namespace App\Test;

use Doctrine\ORM\Mapping as ORM;

/** The picture of a photo of a print for use, JPEG; apart from it, so that lists do not carry it. */
#[ORM\Entity]
class JobPhotoImage
{
    public function __construct(
        #[ORM\Id, ORM\OneToOne, ORM\JoinColumn(nullable: false)]
        public readonly JobPhoto $photo,
        /** @var string|resource */
        #[ORM\Column(type: 'blob', length: 16_777_215)]
        public mixed $image,
    ) {
    }
}
