using System.Globalization;
using Kalypto.Core.Naming;
using Kalypto.Store;
using Kalypto.Store.People;

namespace Kalypto.Application.People;

/// <summary>Makes links that let in whoever has them, and ends them.</summary>
public sealed class ShareLinks(LinkStore links, BuildStore builds, TimeProvider clock)
{
    /// <summary>The longest label.</summary>
    public const int LongestLabel = 60;

    /// <summary>The most days that a link may be set to last.</summary>
    public const int MostDays = 3650;

    /// <summary>Makes a link.</summary>
    /// <param name="author">Who makes it, and into which project.</param>
    /// <param name="label">Whom it is for.</param>
    /// <param name="role">What it lets them do: guest or developer.</param>
    /// <param name="delivery">The number of the one delivery that it is for; null for always the newest.</param>
    /// <param name="days">How many days it lasts; null for no end.</param>
    /// <param name="password">The hash of its password; empty for none.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>Its secret, which is known only now; null when there is no such delivery, or nothing is left of the label.</returns>
    public async Task<(string? Secret, StepDone Done)> MakeAsync(Author author, string label, Role role, int? delivery, int? days, string password, CancellationToken cancel)
    {
        var clean = PlainText.Clean(label, LongestLabel).Trim();
        if (clean.Length == 0 || role is not (Role.Guest or Role.Developer) || (delivery is { } number && await builds.DeliveryAsync(author.Project, number, cancel) is null))
        {
            return (null, new(StepState.Gone));
        }
        var secret = Secret.New();
        var ends = days is { } d ? clock.GetUtcNow().UtcDateTime.AddDays(Math.Clamp(d, 1, MostDays)) : (DateTime?)null;
        var to = delivery is { } one ? $"delivery {one}" : "the newest delivery";
        var until = ends is { } end ? $", until {end.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)}" : "";
        return (secret, await links.AddAsync(author, secret, new(0, author.Project, delivery, role, clean) { Password = password, ExpiresAt = ends }, $"Make the link “{clean}” to {to}, as {Invite.WordOf(role)}{until}", cancel));
    }

    /// <summary>Lets nobody in by a link any more, at once.</summary>
    public async Task<StepDone> RevokeAsync(Author author, int link, CancellationToken cancel) => (await links.ListAsync(author.Project, cancel)).Find(l => l.Id == link) is { } found
        ? await links.RevokeAsync(author, link, $"Revoke the link “{found.Label}”", cancel) : new(StepState.Gone);
}
