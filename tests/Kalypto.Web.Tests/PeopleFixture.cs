using System.Net;
using Kalypto.Application.People;
using Kalypto.Store;
using Kalypto.Store.People;
using Kalypto.Web.Accounts;
using Kalypto.Web.Doors;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.DependencyInjection;

namespace Kalypto.Web.Tests;

/// <summary>A server with accounts: one project with somebody of each role in it, another one of somebody else, and links.</summary>
public sealed class PeopleFixture : ServerFixture
{
    private readonly Dictionary<string, string> sessions = [];

    /// <summary>The header that says which address a request comes from.</summary>
    public const string From = "X-From";

    /// <summary>The password of all accounts.</summary>
    public const string Password = "under the dome at night";

    /// <summary>Those who come: nobody, by links, and by accounts.</summary>
    public static IReadOnlyList<string> Callers { get; } = ["nobody", "link", "link to 1", "stranger", "guest", "developer", "designer", "owner", "keeper"];

    /// <summary>The number of the build of the delivery.</summary>
    public int Build { get; private set; }

    /// <summary>The people by what they are called.</summary>
    public Dictionary<string, int> People { get; } = [];

    protected override Actor Maker => ActorOf("owner");

    public override async ValueTask InitializeAsync()
    {
        foreach (var name in new[] { "keeper", "owner", "designer", "developer", "guest", "stranger" })
        {
            using var scope = Services.CreateScope();
            var account = Account.Of(new(0, name, $"{name}@observatory.example", "") { IsKeeper = name == "keeper" });
            Assert.True((await scope.ServiceProvider.GetRequiredService<UserManager<Account>>().CreateAsync(account, Password)).Succeeded);
            People[name] = account.Row.Id;
        }
        await base.InitializeAsync();
        await BringAsync(ActorOf("stranger"));
        var author = new Author(Project, ActorOf("owner"));
        foreach (var role in new[] { Role.Designer, Role.Developer, Role.Guest })
        {
            await Services.GetRequiredService<MemberStore>().SayAsync(author, People[Invite.WordOf(role)], role, "", default);
        }
        var deliveries = await Services.GetRequiredService<BuildStore>().DeliveriesAsync(Project, default);
        Build = deliveries[0].Id;
        foreach (var (name, delivery) in new (string, int?)[] { ("link", null), ("link to 1", 1) })
        {
            sessions[name] = await ByLinkAsync(Role.Developer, delivery);
        }
    }

    /// <summary>Somebody with an account.</summary>
    public Actor ActorOf(string name) => new(Invite.ActorOf(People[name]), name) { Person = People[name] };

    /// <summary>The session of somebody who came by a new link.</summary>
    public async Task<string> ByLinkAsync(Role role, int? delivery)
    {
        var (secret, _) = await Services.GetRequiredService<ShareLinks>().MakeAsync(new(Project, ActorOf("owner")), "the app team", role, delivery, 30, "", default);
        var store = Services.GetRequiredService<SessionStore>();
        var session = await store.BeginAsync(null, "", null, default);
        await store.LetInAsync(session, (await Services.GetRequiredService<LinkStore>().OfSecretAsync(secret!, default))!.Id, default);
        return session;
    }

    /// <summary>The browser of somebody.</summary>
    public HttpClient BrowserOf(string caller) => Browser(sessions.GetValueOrDefault(caller)
        // A change of rights ends sessions, so somebody with an account signs in each time.
        ?? (People.TryGetValue(caller, out var person) ? Services.GetRequiredService<SessionStore>().BeginAsync(person, "", null, default).GetAwaiter().GetResult() : null));

    /// <summary>A browser with a session.</summary>
    public HttpClient Browser(string? session)
    {
        var client = CreateClient(new() { AllowAutoRedirect = false, HandleCookies = false });
        if (session is not null)
        {
            client.DefaultRequestHeaders.Add("Cookie", $"{Doors.Callers.Cookie}={session}");
        }
        return client;
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        base.ConfigureWebHost(builder);
        builder.UseSetting("People", "true").UseSetting("ComingPerMinute", $"{Limits.Coming}");
        builder.ConfigureServices(services => services.AddSingleton<IStartupFilter, SaysRefusals>().AddSingleton<HashCount>().AddScoped<IPasswordHasher<Account>, CountingHasher>());
    }

    /// <summary>Says of each answer whether it was the door that refused, and how.</summary>
    private sealed class SaysRefusals : IStartupFilter
    {
        public Action<IApplicationBuilder> Configure(Action<IApplicationBuilder> next) => app =>
        {
            app.Use(async (http, run) =>
            {
                http.Connection.RemoteIpAddress = IPAddress.TryParse(http.Request.Headers[From], out var from) ? from : IPAddress.Loopback;
                http.Response.OnStarting(() =>
                {
                    http.Response.Headers["X-Refused"] = http.Features.Get<DoorRefusal>()?.Name ?? "";
                    return Task.CompletedTask;
                });
                await run(http);
            });
            next(app);
        };
    }
}
