namespace Kalypto.Store.People;

/// <summary>An invitation that nobody took yet.</summary>
/// <param name="Id">The number.</param>
/// <param name="Kind">What it is to.</param>
/// <param name="Email">Whom it was made for; empty for whoever has it.</param>
/// <param name="ExpiresAt">Until when it can be taken.</param>
public sealed record InvitationRow(int Id, InvitationKind Kind, string Email, DateTime ExpiresAt)
{
    /// <summary>The project that it lets into; null for none.</summary>
    public int? Project { get; init; }

    /// <summary>What that project is called.</summary>
    public string ProjectName { get; init; } = "";

    /// <summary>What it lets them do there.</summary>
    public Role Role { get; init; }

    /// <summary>Whose password it sets anew; null for none.</summary>
    public int? Person { get; init; }

    /// <summary>Who made it, as they are called.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>The account of who made it; null for the server itself, and for whoever sits at its machine.</summary>
    public int? Maker { get; init; }
}
