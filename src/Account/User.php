<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Database\VersionedRow;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Security\Core\User\EquatableInterface;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;
use Symfony\Component\Uid\Uuid;

/** Somebody who works here. */
#[ORM\Entity]
#[ORM\Table(name: 'user_account')]
class User extends VersionedRow implements UserInterface, PasswordAuthenticatedUserInterface, EquatableInterface
{
    #[ORM\Column(length: 255)]
    public string $passwordHash = '';

    #[ORM\Column]
    public bool $active = true;

    /** @var array<string, string|bool> units, theme and keys */
    #[ORM\Column(type: 'json')]
    public array $preferences = [];

    /** @var array<string, mixed> what lies on the bench of this person; under "last", by printer, what lay there when it was left */
    #[ORM\Column(type: 'json')]
    private array $bench = [];

    public function __construct(
        Uuid $id,
        \DateTimeImmutable $createdAt,
        #[ORM\Column(length: 60, unique: true)]
        public string $name,
        #[ORM\Column(length: 80)]
        public string $displayName,
        #[ORM\Column(length: 20)]
        public Role $role,
    ) {
        parent::__construct($id, $createdAt);
    }

    /** @return array{printerId?: ?string, plateSideId?: ?string, agentId?: ?string, lotId?: ?string, roomC?: float|int} */
    public function bench(): array
    {
        return array_diff_key($this->bench, ['last' => 0]);
    }

    /** @return array{plateSideId: ?string, agentId: ?string, lotId: ?string}|null what lay on the bench of a printer; null: it was never there */
    public function lastOn(string $printerId): ?array
    {
        return $this->bench['last'][$printerId] ?? null;
    }

    /** @param array{printerId: ?string, plateSideId: ?string, agentId: ?string, lotId: ?string, roomC: float|int} $bench */
    public function layOnBench(array $bench): void
    {
        $last = $this->bench['last'] ?? [];
        if (null !== $bench['printerId']) {
            $last[$bench['printerId']] = ['plateSideId' => $bench['plateSideId'], 'agentId' => $bench['agentId'], 'lotId' => $bench['lotId']];
        }
        $this->bench = [...$bench, 'last' => $last];
    }

    public function getRoles(): array
    {
        return [$this->role->securityRole()];
    }

    public function getUserIdentifier(): string
    {
        return '' === $this->name ? '-' : $this->name;
    }

    public function getPassword(): string
    {
        return $this->passwordHash;
    }

    /** Nothing secret is kept besides the hash. The interface asks for the method until the next major version. */
    #[\Deprecated]
    public function eraseCredentials(): void
    {
    }

    /** Whether the account is still what the session knows: else a closed account or a new password would take effect late. */
    public function isEqualTo(UserInterface $user): bool
    {
        return $user instanceof self
            && $user->active
            && $user->role === $this->role
            && \in_array($this->passwordHash, [$user->passwordHash, hash('crc32c', $user->passwordHash)], true);
    }

    /**
     * What the session keeps of the account: a digest of the hash is enough to notice a changed password.
     *
     * @return array<string, mixed>
     */
    public function __serialize(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'name' => $this->name,
            'role' => $this->role->value,
            'active' => $this->active,
            'hash' => hash('crc32c', $this->passwordHash),
        ];
    }

    /** @param array{id: string, name: string, role: string, active: bool, hash: string} $data */
    public function __unserialize(array $data): void
    {
        parent::__construct(Uuid::fromString($data['id']), new \DateTimeImmutable('@0'));
        $this->name = $data['name'];
        $this->displayName = '';
        $this->role = Role::from($data['role']);
        $this->active = $data['active'];
        $this->passwordHash = $data['hash'];
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'version' => $this->version,
            'name' => $this->name,
            'displayName' => $this->displayName,
            'role' => $this->role->value,
            'active' => $this->active,
        ];
    }
}
