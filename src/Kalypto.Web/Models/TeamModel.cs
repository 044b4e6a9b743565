using System.Globalization;
using Kalypto.Application.People;
using Kalypto.Store;
using Kalypto.Store.People;

namespace Kalypto.Web.Models;

/// <summary>Who may do what in a project, as its page shows it.</summary>
/// <param name="People">Those in it.</param>
/// <param name="Invitations">Invitations that nobody took yet.</param>
/// <param name="Links">Its links, the newest first.</param>
/// <param name="Deliveries">The numbers of its deliveries, the newest first.</param>
/// <param name="NeedsSecondFactor">True when everybody in it needs a second factor.</param>
public sealed record TeamModel(IReadOnlyList<TeamModel.Member> People, IReadOnlyList<TeamModel.Invitation> Invitations, IReadOnlyList<TeamModel.Link> Links, IReadOnlyList<int> Deliveries, bool NeedsSecondFactor)
{
    /// <summary>Somebody in it.</summary>
    public sealed record Member(int Id, string Name, string Email, string Role);

    /// <summary>An invitation that nobody took yet.</summary>
    public sealed record Invitation(int Id, string Email, string Role, string Until);

    /// <summary>A link.</summary>
    /// <param name="Id">The number.</param>
    /// <param name="Label">Whom it is for.</param>
    /// <param name="Leads">Where to, and as what.</param>
    /// <param name="State">Whether it lets in, and until when.</param>
    /// <param name="Used">When somebody last came by it.</param>
    /// <param name="IsOpen">True when it lets in.</param>
    public sealed record Link(int Id, string Label, string Leads, string State, string Used, bool IsOpen);

    /// <summary>What it is read from.</summary>
    public sealed record Sources(MemberStore Members, InvitationStore Invitations, LinkStore Links, BuildStore Builds, TimeProvider Clock);

    /// <summary>Reads it.</summary>
    public static async Task<TeamModel> OfAsync(int project, Sources sources, CancellationToken cancel)
    {
        var now = sources.Clock.GetUtcNow().UtcDateTime;
        return new(
            [.. (await sources.Members.ListAsync(project, cancel)).Select(m => new Member(m.Person, m.Name, m.Email, m.Role.ToString()))],
            [.. (await sources.Invitations.ListAsync(project, cancel)).Select(i => new Invitation(i.Id, i.Email, Invite.WordOf(i.Role), Date(i.ExpiresAt)))],
            [.. (await sources.Links.ListAsync(project, cancel)).Select(l => Of(l, now))],
            [.. (await sources.Builds.DeliveriesAsync(project, cancel)).Select(d => d.Number ?? 0)], await sources.Members.RequiresSecondFactorAsync(project, cancel));
    }

    private static Link Of(LinkRow link, DateTime now)
    {
        var isOver = link.ExpiresAt <= now;
        var state = link.RevokedAt is { } revoked ? $"revoked {Date(revoked)}" : link.ExpiresAt is { } ends ? $"{(isOver ? "ended" : "until")} {Date(ends)}" : "no end";
        return new(link.Id, link.Label, $"{(link.Delivery is { } number ? $"delivery {number}" : "always the newest delivery")}, as {Invite.WordOf(link.Role)}",
            $"{state}{(link.Password.Length > 0 ? ", with a password" : "")}", $"{(link.UsedAt is { } used ? $"last used {Date(used)}" : "not used yet")}, made by {(link.MadeBy.Length > 0 ? link.MadeBy : "somebody")} {Date(link.MadeAt)}", link.RevokedAt is null && !isOver);
    }

    private static string Date(DateTime time) => time.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
}
