using Kalypto.Web.Doors;

namespace Kalypto.Web.Accounts;

/// <summary>The parts of Identity that accounts are made of.</summary>
internal static class AccountServices
{
    private static readonly TimeSpan Locked = TimeSpan.FromMinutes(5);

    public static IServiceCollection AddAccounts(this IServiceCollection services, AccountOptions options)
    {
        services.AddIdentityCore<Account>(o =>
        {
            (o.Password.RequireDigit, o.Password.RequireLowercase, o.Password.RequireUppercase, o.Password.RequireNonAlphanumeric) = (false, false, false, false);
            (o.Password.RequiredLength, o.Password.RequiredUniqueChars) = (SignIns.ShortestPassword, 1);
            (o.Lockout.MaxFailedAccessAttempts, o.Lockout.DefaultLockoutTimeSpan) = (5, Locked);
            // The name is the address, which is looked at before.
            o.User.AllowedUserNameCharacters = "";
        }).AddUserStore<AccountStore>();
        return services.AddSingleton(options).AddSingleton<Callers>().AddScoped<SignIns>();
    }
}
