<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\CurrentUser;
use App\Platform\Audit;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Database\Transaction;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** Photos of what a print for use left. */
final readonly class JobPhotoController
{
    private const MOST_OF_A_PRINT = 6;

    public function __construct(
        private EntityManagerInterface $entities,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private Transaction $transaction,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
    ) {
    }

    #[Route('/api/jobs/{id}/photos', name: 'addJobPhoto', methods: ['POST'])]
    public function add(string $id, Request $request): Answer
    {
        $key = $request->query->getString('id');
        if (!Uuid::isValid($key)) {
            throw Problem::invalid('id', 'A photo needs a key of its own.');
        }
        $sent = $request->getContent();
        [$photo, $new] = $this->creation->create(
            JobPhoto::class,
            ['id' => $key, 'job' => $id, 'sent' => hash('sha256', $sent)],
            function (Uuid $key) use ($id, $sent): JobPhoto {
                $job = $this->edit->locked(Job::class, $id);
                if (\count($job->standingPhotos()) >= self::MOST_OF_A_PRINT) {
                    throw Problem::invalid('', \sprintf('A print keeps %d photos: take one back first.', self::MOST_OF_A_PRINT), 409);
                }
                $picture = PhotoPicture::of($sent);
                $photo = new JobPhoto(
                    $key,
                    $this->now->time(),
                    $job,
                    $picture->width,
                    $picture->height,
                    hash('sha256', $picture->jpeg),
                    $this->current->author()->name,
                );
                $this->entities->persist(new JobPhotoImage($photo, $picture->jpeg));
                $job->photos->add($photo);

                return $photo;
            },
        );

        return new Answer($photo->job->toArray(), $new ? 201 : 200);
    }

    #[Route('/api/job-photos/{id}', name: 'getJobPhoto', methods: ['GET'])]
    public function get(string $id): Response
    {
        $image = $this->entities->find(JobPhotoImage::class, $this->edit->find(JobPhoto::class, $id))->image ?? throw Problem::notFound();

        return PhotoPicture::kept($image);
    }

    #[Route('/api/job-photos/{id}/withdraw', name: 'withdrawJobPhoto', methods: ['POST'])]
    public function withdraw(string $id): Answer
    {
        $job = $this->transaction->run(function () use ($id): Job {
            $photo = $this->edit->find(JobPhoto::class, $id);
            $this->edit->locked(Job::class, $photo->job->id->toRfc4122());
            if (null === $photo->withdrawnAt) {
                $photo->withdrawnAt = $this->now->time();
                $this->audit->note('photo withdrawn', $photo->job->id, ['photo' => $id]);
                $this->entities->flush();
            }

            return $photo->job;
        });

        return new Answer($job->toArray());
    }
}
