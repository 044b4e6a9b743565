using Kalypto.Application.Opening;
using Kalypto.Store;
using Kalypto.Store.People;
using Microsoft.AspNetCore.Http.Features;

namespace Kalypto.Web.Doors;

/// <summary>Who came in, where to: what <see cref="DoorIn"/> found out, once for each request.</summary>
/// <param name="Author">Who, and in which project; the project is 0 where there is none.</param>
/// <param name="Notice">The newest notice before the project was loaded: what comes later is told.</param>
/// <param name="Opened">The project as it was loaded; null where its number is enough.</param>
internal sealed record Entry(Author Author, long Notice, Workspace? Opened)
{
    /// <summary>What they may do.</summary>
    public Access Access { get; init; } = Access.Nobody;

    /// <summary>The account whose projects alone are shown; null where all are.</summary>
    public int? Reader => Access.IsHere ? null : Access.Person ?? 0;

    /// <summary>The project.</summary>
    /// <exception cref="InvalidOperationException">The route does not say that it lies in a project.</exception>
    public Workspace Workspace => Opened ?? throw new InvalidOperationException("The route does not say that it needs its project.");

    /// <summary>Somebody at work in the project.</summary>
    public Visit Visit => new(Workspace, Author.Actor, Author.Page);

    /// <summary>Hands it to the endpoints.</summary>
    public static ValueTask<Entry> BindAsync(HttpContext context) => new(context.Features.GetRequiredFeature<Entry>());
}
