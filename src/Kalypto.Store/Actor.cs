namespace Kalypto.Store;

/// <summary>Who does something.</summary>
/// <param name="Id">Tells one from another; steps are taken back by whoever made them.</param>
/// <param name="Name">What they call themselves; empty when they did not say.</param>
public readonly record struct Actor(string Id, string Name)
{
    /// <summary>The number of their account; null for one who needs none, or came by a link.</summary>
    public int? Person { get; init; }

    /// <summary>What they may do in the project that they are in.</summary>
    public Role Role { get; init; } = Role.Owner;
}
