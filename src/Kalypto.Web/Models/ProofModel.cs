using System.Globalization;
using Kalypto.Application.Desk;
using Kalypto.Application.Opening;
using Kalypto.Store;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>How near to a browser's picture a screen ships.</summary>
/// <param name="Text">Such as <c>equal to the browser: 99.8%</c>.</param>
/// <param name="More">What else there is to say of it; empty for nothing.</param>
/// <param name="Marks">The address of the picture that marks what is other; null for none.</param>
/// <param name="Box">Where that lies on the screen: left, top, width and height in pt.</param>
public sealed record ProofModel(string Text, string More, string? Marks, double[] Box)
{
    /// <summary>The proof of a screen, which is asked for where it is missing; null where there is nothing to prove.</summary>
    public static async Task<ProofModel?> OfAsync(ScreenProofs proofs, Workspace workspace, int design, int root, CancellationToken cancel)
    {
        var (row, state, shown) = workspace.FindScreen(design, root)!.Value;
        var known = await proofs.OfAsync([state.Measured], cancel);
        var screen = state.Measured.DrawnScreenOf(shown);
        if (!known.TryGetValue(screen, out var proof))
        {
            return null;
        }
        if (proof is null)
        {
            await proofs.AskAsync([(row.DraftId, state.Measured)], cancel);
        }
        var box = state.ToPoints(screen.Box with { X = screen.Box.X - shown.Box.X, Y = screen.Box.Y - shown.Box.Y });
        return new(Say(proof), MoreOf(proof), proof?.Equal is null ? null : Links.Marks(workspace.Row.Id, proof.Key), [box.X, box.Y, box.Width, box.Height]);
    }

    /// <summary>In words.</summary>
    public static string Say(ProofRow? proof) => proof switch
    {
        null => "not compared with a browser yet",
        { Equal: { } equal } => $"equal to the browser: {Percent(equal)}",
        _ => "could not be compared with a browser",
    };

    /// <summary>A share that is never said to be larger than it is.</summary>
    public static string Percent(double share) => (Math.Floor(share * 10_000 + 1e-9) / 100).ToString("0.##", CultureInfo.InvariantCulture) + "%";

    private static string MoreOf(ProofRow? proof) => proof switch
    {
        { Failure: { } failure } => failure,
        { Exactly: > 0 and var count } => $"{Words.Count(count, "layer")} drawn exactly for it",
        _ => "",
    };
}
