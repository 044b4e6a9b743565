namespace Kalypto.Store;

/// <summary>Who does something.</summary>
/// <param name="Id">Tells one from another; steps are taken back by whoever made them.</param>
/// <param name="Name">What they call themselves; empty when they did not say.</param>
public readonly record struct Actor(string Id, string Name)
{
    /// <summary>The number of their account; null for one who needs none, or came by a link.</summary>
    public int? Person { get; init; }

    /// <summary>The number of the session that they come by; 0 for none.</summary>
    public int Session { get; init; }

    /// <summary>What they may do in the project that they are in; nothing, unless it is said. Of an account the database is asked once more.</summary>
    public Role Role { get; init; }

    /// <summary>Kalypto itself, or whoever sits at the machine of a server without accounts: they may do all.</summary>
    public static Actor Local(string id, string name) => new(id, name) { Role = Role.Owner };
}
