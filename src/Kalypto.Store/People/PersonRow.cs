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

    /// <summary>The key of the authenticator, encrypted; empty for none.</summary>
    public string Authenticator { get; init; } = "";

    /// <summary>True when signing in takes a code, too.</summary>
    public bool HasSecondFactor { get; init; }

    /// <summary>Hashes of codes that work once in place of one of the authenticator.</summary>
    public IReadOnlyList<string> Recovery { get; init; } = [];

    /// <summary>True for those who look after the server.</summary>
    public bool IsKeeper { get; init; }

    /// <summary>Since when they may not come in any more; null when they may.</summary>
    public DateTime? ShutAt { get; init; }
}
