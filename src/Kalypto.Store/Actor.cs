namespace Kalypto.Store;

/// <summary>Who does something.</summary>
/// <param name="Id">Tells one from another; steps are taken back by whoever made them.</param>
/// <param name="Name">What they call themselves; empty when they did not say.</param>
public readonly record struct Actor(string Id, string Name);
