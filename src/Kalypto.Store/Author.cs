namespace Kalypto.Store;

/// <summary>Where a change belongs.</summary>
/// <param name="Project">The project.</param>
/// <param name="Who">Who makes it, as they call themselves.</param>
public readonly record struct Author(int Project, string Who);
