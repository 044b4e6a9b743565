using Kalypto.Application.Editing;
using Kalypto.Application.Opening;
using Kalypto.Core.Naming;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;

namespace Kalypto.Web.Endpoints;

/// <summary>What the team says of its tokens.</summary>
internal static class TokenEndpoints
{
    private const int LongestKey = 400;
    private const int LongestName = 60;

    /// <summary>What is said of one token.</summary>
    /// <param name="Key">Its value.</param>
    /// <param name="Name">Its name; empty for the one that it has by itself.</param>
    /// <param name="Into">The value of another that stands for it.</param>
    /// <param name="Refused">True for no token, false for one again.</param>
    /// <param name="Part">True to take apart what was merged.</param>
    public sealed record Saying(string Key, string? Name, string? Into, bool? Refused, bool? Part);

    public static void MapTokens(this RouteGroupBuilder project)
    {
        project.MapGet("/tokens", (Entry entry) => Results.Ok(Of(entry.Workspace)));
        project.MapPost("/tokens", async (Entry entry, Saying said, ChangeTokens tokens, OpenProject open, CancellationToken cancel) =>
        {
            if (said.Key is not { Length: > 0 and <= LongestKey } key || said.Into is { Length: > LongestKey })
            {
                return Problem.BadRequest();
            }
            StepDone? done = said switch
            {
                { Name: { } name } => await tokens.NameAsync(entry.Visit, key, PlainText.Clean(name, LongestName), cancel),
                { Into: { Length: > 0 } into } => await tokens.MergeAsync(entry.Visit, key, into, cancel),
                { Refused: { } refused } => await tokens.RefuseAsync(entry.Visit, key, refused, cancel),
                { Part: true } => await tokens.PartAsync(entry.Visit, key, cancel),
                _ => null,
            };
            return done is null ? Problem.BadRequest() : await done.OrAsync(async () => await open.LoadAsync(entry.Author.Project, cancel) is { } after ? Results.Ok(Of(after)) : Problem.NotFound());
        });
    }

    /// <summary>The tokens as they are now.</summary>
    public static TokensModel Of(Workspace workspace) => TokensModel.Of(workspace, workspace.Tokens, layer => Links.Layer(workspace, layer));
}
