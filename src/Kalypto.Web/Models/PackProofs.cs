using Kalypto.Application.Desk;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;

namespace Kalypto.Web.Models;

/// <summary>How near to a browser's picture the screens of a project ship.</summary>
/// <param name="Text">All of it in a few words; empty where there is nothing to prove.</param>
/// <param name="Screens">The screens that are compared, the worst first.</param>
public sealed record PackProofs(string Text, IReadOnlyList<ProvenScreen> Screens)
{
    /// <summary>Puts them together, and asks for those that are missing.</summary>
    public static async Task<PackProofs> OfAsync(ScreenProofs proofs, ProvePictures pictures, Workspace workspace, PlannedPack plan, CancellationToken cancel)
    {
        var known = await proofs.OfAsync([.. workspace.Designs.Select(d => d.State.Measured)], cancel);
        await proofs.AskAsync([.. workspace.Designs.Select(d => (d.Row.DraftId, d.State.Measured))], cancel);
        await pictures.AskAsync(workspace, plan.Pack.Files, cancel);
        var done = workspace.Designs.SelectMany(d => d.State.Measured.Drawn.Screens.Where(s => known.GetValueOrDefault(s)?.Equal is not null).Select(s => (d.Row.Id, Screen: s, Proof: known[s]!)))
            .OrderBy(s => s.Proof.Equal).ToList();
        var open = known.Count - done.Count;
        return new(
            known.Count == 0 ? "" : done.Count == 0 ? "not compared with a browser yet" : $"equal to the browser: {ProofModel.Percent(done[0].Proof.Equal!.Value)}{(done.Count > 1 ? " or more" : "")}{(open > 0 ? $", {open} to compare" : "")}",
            [.. done.Select(s => new ProvenScreen(s.Screen.Name, ProofModel.Percent(s.Proof.Equal!.Value), s.Proof.Exactly, $"/projects/{workspace.Row.Id}/bench/{s.Id}/{s.Screen.Root.Ordinal}"))]);
    }
}
