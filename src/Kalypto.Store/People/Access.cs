namespace Kalypto.Store.People;

/// <summary>Who a browser belongs to, and what they may do in a project.</summary>
/// <param name="Session">The number of the session; 0 for none.</param>
/// <param name="Person">The number of the account; null when nobody signed in.</param>
/// <param name="Name">What they are called; of a link what it is called.</param>
/// <param name="Role">What they may do in the project that was asked for.</param>
public sealed record Access(int Session, int? Person, string Name, Role Role)
{
    /// <summary>Whoever sits at the machine of a server that has no accounts: they may do all.</summary>
    public static Access Here { get; } = new(0, null, "", Role.Owner) { IsKeeper = true, IsHere = true };

    /// <summary>Nobody that is known.</summary>
    public static Access Nobody { get; } = new(0, null, "", Role.None);

    /// <summary>True where there are no accounts.</summary>
    public bool IsHere { get; private init; }

    /// <summary>True for those who look after the server.</summary>
    public bool IsKeeper { get; init; }

    /// <summary>True when they are in the project, and it asks for a second factor that they do not have.</summary>
    public bool LacksSecondFactor { get; init; }

    /// <summary>The link that lets them in, when it is a link that does.</summary>
    public int? Link { get; init; }

    /// <summary>The one delivery that they may see; 0 while there is none; null for all.</summary>
    public int? Delivery { get; init; }

    /// <summary>True when that delivery is whichever is the newest.</summary>
    public bool IsNewest { get; init; }

    /// <summary>The one delivery whose questions they see; null for all. Whoever sees the newest sees what became of what they asked of the one before.</summary>
    public int? QuestionsOf => IsNewest ? null : Delivery;

    /// <summary>True when they signed in, or came by a link that holds.</summary>
    public bool IsSomebody => IsHere || Person is not null || Link is not null;
}
