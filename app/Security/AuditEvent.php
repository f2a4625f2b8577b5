<?php

namespace App\Security;

/** What the owner can read later of who did what. */
enum AuditEvent: string
{
    case SignedIn = 'signed-in';
    case SignInRefused = 'sign-in-refused';
    case SignedOut = 'signed-out';
    case SessionsEnded = 'sessions-ended';
    case PasswordChanged = 'password-changed';
    case ResetAsked = 'reset-asked';
    case SecondFactorOn = 'second-factor-on';
    case SecondFactorOff = 'second-factor-off';
    case RecoveryCodeUsed = 'recovery-code-used';
    case PersonInvited = 'person-invited';
    case InvitationAccepted = 'invitation-accepted';
    case PersonDeactivated = 'person-deactivated';
    case PersonReactivated = 'person-reactivated';
    case RoleChanged = 'role-changed';
    case LimitAccepted = 'limit-accepted';
    case PlanExported = 'plan-exported';
    case VersionPublished = 'version-published';
    case ShopExported = 'shop-exported';
    case ShopMade = 'shop-made';
    case ShopChanged = 'shop-changed';

    /** As the owner reads it. */
    public function words(): string
    {
        return match ($this) {
            self::SignedIn => 'signed in',
            self::SignInRefused => 'sign-in refused',
            self::SignedOut => 'signed out',
            self::SessionsEnded => 'ended sessions',
            self::PasswordChanged => 'set a password',
            self::ResetAsked => 'asked for a new password',
            self::SecondFactorOn => 'turned the second factor on',
            self::SecondFactorOff => 'turned the second factor off',
            self::RecoveryCodeUsed => 'used a recovery code',
            self::PersonInvited => 'invited a person',
            self::InvitationAccepted => 'came into the shop',
            self::PersonDeactivated => 'deactivated a person',
            self::PersonReactivated => 'reactivated a person',
            self::RoleChanged => 'changed a role',
            self::LimitAccepted => 'accepted a limit past safe',
            self::PlanExported => 'exported a plan',
            self::ShopMade => 'made the shop',
            self::ShopChanged => 'changed the shop',
            self::ShopExported => 'exported everything the shop owns',
            self::VersionPublished => 'published a version of the library',
        };
    }
}
