using Kalypto.Application.Fonts;
using Kalypto.Core.Fonts;
using Kalypto.Web.Doors;

namespace Kalypto.Web.Endpoints;

/// <summary>The fonts that a project has of its own. They come in as files like drawings.</summary>
internal static class FontEndpoints
{
    public static void MapFonts(this RouteGroupBuilder project) => project.MapPost("/fonts/{sha256}/removed", async (Entry entry, string sha256, KeepFonts fonts, CancellationToken cancel) =>
        FontBook.Read(entry.Workspace.Row.Fonts).Fonts.FirstOrDefault(f => f.Sha256 == sha256) is { } font
            ? (await fonts.RemoveAsync(entry.Visit, font, cancel)).OrOk() : Problem.NotFound("The project does not have this font any more."));
}
