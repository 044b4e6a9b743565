using Kalypto.Store;

namespace Kalypto.Application.Opening;

/// <summary>Somebody at work in a project: what every use of it begins with.</summary>
/// <param name="Workspace">The project as it is.</param>
/// <param name="Actor">Who.</param>
/// <param name="Page">The page that they work on; empty for none.</param>
public sealed record Visit(Workspace Workspace, Actor Actor, string Page = "")
{
    /// <summary>Where their changes belong.</summary>
    public Author Author => new(Workspace.Row.Id, Actor, Page);
}
