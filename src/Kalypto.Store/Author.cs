namespace Kalypto.Store;

/// <summary>Where a change belongs.</summary>
/// <param name="Project">The project.</param>
/// <param name="Actor">Who makes it.</param>
/// <param name="Page">The page that it is made on and that knows of it already; empty for none.</param>
public readonly record struct Author(int Project, Actor Actor, string Page = "");
