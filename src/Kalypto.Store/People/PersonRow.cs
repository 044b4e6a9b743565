namespace Kalypto.Store.People;

/// <summary>Somebody with an account.</summary>
/// <param name="Id">The number.</param>
/// <param name="Name">As they call themselves.</param>
/// <param name="Email">The address that they sign in with.</param>
/// <param name="Password">The hash of the password.</param>
public sealed record PersonRow(int Id, string Name, string Email, string Password)
{
    /// <summary>Another one whenever the password is another.</summary>
    public string Stamp { get; init; } = "";

    /// <summary>Wrong passwords in a row.</summary>
    public int Failed { get; init; }

    /// <summary>Until when no password is tried.</summary>
    public DateTime? LockedUntil { get; init; }

    /// <summary>True for those who look after the server.</summary>
    public bool IsKeeper { get; init; }

    /// <summary>Since when they may not come in any more; null when they may.</summary>
    public DateTime? ShutAt { get; init; }
}
