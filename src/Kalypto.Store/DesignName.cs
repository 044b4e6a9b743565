namespace Kalypto.Store;

/// <summary>A design by its name.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="Draft">The draft that holds.</param>
public sealed record DesignName(int Id, string Name, int Draft);
