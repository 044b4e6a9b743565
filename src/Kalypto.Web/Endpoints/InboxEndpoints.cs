using Kalypto.Application.BringingIn;
using Kalypto.Application.Places;
using Kalypto.Store;
using Kalypto.Web.Doors;

namespace Kalypto.Web.Endpoints;

/// <summary>Folders of the inbox that belong to a project.</summary>
internal static class InboxEndpoints
{
    private sealed record Released(string? Folder);

    public static void MapInbox(this RouteGroupBuilder project)
    {
        project.MapPost("/inbox", async (Entry entry, InboxFolders folders, CancellationToken cancel) =>
        {
            try
            {
                var (done, folder) = await folders.CreateAsync(entry.Author, cancel);
                return done.Refusal() ?? Results.Ok(new { folder });
            }
            catch (PlaceRefusedException e)
            {
                return Problem.Conflict(e.Message);
            }
        });
        project.MapPost("/inbox/removed", async (Entry entry, Released said, InboxStore inbox, CancellationToken cancel) =>
            await inbox.ReleaseAsync(entry.Author, said.Folder ?? "", cancel) is var done && done.State == StepState.Nothing ? Problem.NotFound("This folder is not watched for this project. Load the page again.") : done.OrOk());
    }
}
