namespace Kalypto.Store.People;

/// <summary>What the audit log tells of. Names are kept in the database and stay.</summary>
public enum AuditEvent
{
    /// <summary>Somebody signed in.</summary>
    SignedIn,
    /// <summary>A wrong password or code was tried, or too many were.</summary>
    SignInFailed,
    /// <summary>Somebody signed out.</summary>
    SignedOut,
    /// <summary>Somebody ended sessions of their own.</summary>
    SessionsEnded,
    /// <summary>A password was changed.</summary>
    PasswordChanged,
    /// <summary>A second factor was turned on.</summary>
    SecondFactorOn,
    /// <summary>A second factor was turned off.</summary>
    SecondFactorOff,
    /// <summary>Somebody was invited.</summary>
    Invited,
    /// <summary>An invitation was removed.</summary>
    InvitationRemoved,
    /// <summary>An invitation was accepted.</summary>
    InvitationAccepted,
    /// <summary>What somebody may do in a project was changed.</summary>
    RoleChanged,
    /// <summary>What a project demands of its people was changed.</summary>
    RulesChanged,
    /// <summary>An account was shut, or opened again.</summary>
    AccountShut,
    /// <summary>An address was made that sets a new password.</summary>
    PasswordReset,
    /// <summary>A link was made.</summary>
    LinkMade,
    /// <summary>A link was opened.</summary>
    LinkOpened,
    /// <summary>A wrong password of a link was tried.</summary>
    LinkFailed,
    /// <summary>A link was revoked.</summary>
    LinkRevoked,
    /// <summary>A delivery, or a part of one, was downloaded.</summary>
    DeliveryDownloaded,
    /// <summary>A delivery place was added.</summary>
    PlaceAdded,
    /// <summary>A delivery place was removed.</summary>
    PlaceRemoved,
    /// <summary>A delivery was put into a place.</summary>
    PlaceWritten,
    /// <summary>The audit log was exported.</summary>
    AuditExported,
}
