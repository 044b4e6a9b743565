namespace Kalypto.Store.People;

/// <summary>What an invitation is to.</summary>
public enum InvitationKind
{
    /// <summary>To look after the server.</summary>
    Keeper,
    /// <summary>To work in a project.</summary>
    Member,
    /// <summary>To have an account, and no project yet.</summary>
    Account,
    /// <summary>To set a new password.</summary>
    Password,
}
