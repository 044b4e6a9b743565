using Kalypto.Store.People;

namespace Kalypto.Web.Doors;

/// <summary>Writes into the audit log what somebody did by a request.</summary>
internal sealed class Audit(AuditStore store)
{
    /// <summary>Writes a row.</summary>
    /// <param name="http">The request.</param>
    /// <param name="what">What happened.</param>
    /// <param name="about">What it is about, in words.</param>
    /// <param name="project">The project, where the route lies in none.</param>
    /// <param name="person">Who it was, where they are known only now.</param>
    public Task WriteAsync(HttpContext http, AuditEvent what, string about, int? project = null, PersonRow? person = null)
    {
        var entry = http.Features.Get<Entry>();
        var access = Callers.AccessOf(http);
        var of = project ?? (entry?.Author.Project is { } number and > 0 ? number : null);
        var who = person?.Name ?? (entry?.Author.Actor.Name is { Length: > 0 } name ? name : access.Name);
        // Written also when whoever asked has gone: it happened.
        return store.AddAsync(new(what, who, person?.Id ?? access.Person, of, Network.Of(http.Connection.RemoteIpAddress), about), CancellationToken.None);
    }
}
