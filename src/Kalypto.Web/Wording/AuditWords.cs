using Kalypto.Store.People;

namespace Kalypto.Web.Wording;

/// <summary>The audit log in words.</summary>
internal static class AuditWords
{
    /// <summary>What happened.</summary>
    public static string Say(AuditEvent what) => what switch
    {
        AuditEvent.SignedIn => "Signed in",
        AuditEvent.SignInFailed => "Sign-in failed",
        AuditEvent.SignedOut => "Signed out",
        AuditEvent.SessionsEnded => "Ended own sessions",
        AuditEvent.PasswordChanged => "Changed the password",
        AuditEvent.SecondFactorOn => "Turned on the second factor",
        AuditEvent.SecondFactorOff => "Turned off the second factor",
        AuditEvent.Invited => "Invited",
        AuditEvent.InvitationRemoved => "Removed an invitation",
        AuditEvent.InvitationAccepted => "Accepted an invitation",
        AuditEvent.RoleChanged => "Changed a role",
        AuditEvent.RulesChanged => "Changed the rules of a project",
        AuditEvent.AccountShut => "Shut an account or opened it",
        AuditEvent.PasswordReset => "Made an address for a new password",
        AuditEvent.LinkMade => "Made a link",
        AuditEvent.LinkOpened => "Opened a link",
        AuditEvent.LinkFailed => "Wrong password of a link",
        AuditEvent.LinkRevoked => "Revoked a link",
        AuditEvent.DeliveryDownloaded => "Downloaded a delivery",
        AuditEvent.PlaceAdded => "Added a place",
        AuditEvent.PlaceRemoved => "Removed a place",
        AuditEvent.PlaceWritten => "Delivered to a place",
        _ => "Exported the log",
    };
}
