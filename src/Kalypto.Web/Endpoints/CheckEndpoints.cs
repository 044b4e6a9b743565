using Kalypto.Application.Editing;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Checking;
using Kalypto.Core.Designs;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Endpoints;

/// <summary>The findings of a project: their fixes, and what the project says of checks.</summary>
internal static class CheckEndpoints
{
    private sealed record FixWish(string Check, int Design, int Layer, bool Everywhere);

    private sealed record CheckWish(string? Check, string? Severity, bool? IsOn);

    private sealed record SuppressWish(string Check, int Design, int Layer, string? About, string? Reason, bool Again);

    public static string Fixed(int findings) => findings switch { 0 => "There is nothing to fix any more", 1 => "Done", _ => $"Done for {findings} layers" };

    public static void MapChecks(this RouteGroupBuilder project)
    {
        project.MapGet("/checks", async (Entry entry, PlanPack plans, CancellationToken cancel) => Results.Ok(ChecksModel.Of(entry.Workspace, await plans.PlanAsync(entry.Workspace, cancel))));
        project.MapPost("/checks/fix", async (Entry entry, FixWish wish, FixFindings fix, OpenProject open, PlanPack plans, CancellationToken cancel) =>
        {
            var (done, findings) = await fix.RunAsync(entry.Visit, wish.Check, f => wish.Everywhere || f.Layer == new LayerRef(wish.Design, wish.Layer), cancel);
            return await AnswerAsync(done, Fixed(findings), entry, open, plans, cancel);
        });
        project.MapPost("/checks/draw-again", async (Entry entry, PlanPack plans, CancellationToken cancel) =>
        {
            var pictures = await plans.DrawAgainAsync(entry.Workspace, cancel);
            return Results.Ok(new { message = $"{Words.Count(pictures, "picture")} tried again", checks = ChecksModel.Of(entry.Workspace, await plans.PlanAsync(entry.Workspace, cancel)) });
        });
        project.MapPost("/checks/settings", async (Entry entry, CheckWish wish, ChangeChecks checks, OpenProject open, PlanPack plans, CancellationToken cancel) =>
        {
            if (Checks.Find(wish.Check ?? "") is not { } check)
            {
                return Problem.NotFound("There is no such check any more. Load the page again.");
            }
            var done = wish.IsOn is { } isOn ? await checks.SwitchAsync(entry.Visit, check, isOn, cancel)
                : await checks.MatterAsync(entry.Visit, check, Enum.TryParse<Severity>(wish.Severity, ignoreCase: true, out var severity) ? severity : null, cancel);
            return await AnswerAsync(done, check.IsEssential ? "This check is always on: without it files would be lost" : "", entry, open, plans, cancel);
        });
        project.MapPost("/checks/suppress", async (Entry entry, SuppressWish wish, ChangeChecks checks, OpenProject open, PlanPack plans, CancellationToken cancel) =>
        {
            var plan = await plans.PlanAsync(entry.Workspace, cancel);
            bool IsMeant(Finding f) => f.Check == wish.Check && f.Layer == new LayerRef(wish.Design, wish.Layer) && f.About == (wish.About ?? "");
            var found = wish.Again ? plan.Pack.Suppressed.Select(s => s.Finding).FirstOrDefault(IsMeant) : plan.Pack.Findings.FirstOrDefault(IsMeant);
            return found is null ? Problem.NotFound("This is not found any more.")
                : await AnswerAsync(wish.Again ? await checks.AgainAsync(entry.Visit, found, cancel) : await checks.SuppressAsync(entry.Visit, found, wish.Reason ?? "", cancel), "", entry, open, plans, cancel);
        });
    }

    private static Task<IResult> AnswerAsync(StepDone done, string message, Entry entry, OpenProject open, PlanPack plans, CancellationToken cancel) => done.OrAsync(async () =>
        await open.LoadAsync(entry.Workspace.Row.Id, cancel) is { } workspace ? Results.Ok(new { message, checks = ChecksModel.Of(workspace, await plans.PlanAsync(workspace, cancel)) }) : Results.NotFound());
}
